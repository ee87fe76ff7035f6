import { ResultList } from '@client/frame/screens';
import { ListAndDetail } from '@client/ui/ListAndDetail';

export default function ResultsLayout() {
  return <ListAndDetail list={<ResultList />} />;
}
