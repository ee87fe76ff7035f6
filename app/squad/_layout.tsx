import { SquadList } from '@client/squad/SquadList';
import { ListAndDetail } from '@client/ui/ListAndDetail';

export default function SquadLayout() {
  return <ListAndDetail list={<SquadList />} />;
}
