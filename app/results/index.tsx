import { ResultList } from '@client/frame/screens';
import { PickOne } from '@client/ui/PickOne';

export default function Results() {
  return <PickOne list={<ResultList />}>Choose a session to read its times.</PickOne>;
}
