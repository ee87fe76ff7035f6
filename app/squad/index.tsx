import { SquadList } from '@client/squad/SquadList';
import { PickOne } from '@client/ui/PickOne';

export default function Squad() {
  return <PickOne list={<SquadList />}>Choose an athlete to see and change their marks.</PickOne>;
}
