import { ResultList } from '@client/review/ResultList';
import { PickOne } from '@client/ui/PickOne';

export default function Results() {
  return <PickOne list={<ResultList />}>Choose a session to read its times.</PickOne>;
}
