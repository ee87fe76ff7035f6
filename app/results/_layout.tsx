import { ResultList } from '@client/review/ResultList';
import { ListAndDetail } from '@client/ui/ListAndDetail';

export default function ResultsLayout() {
  return <ListAndDetail list={<ResultList />} />;
}
