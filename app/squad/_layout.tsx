import { SquadPage } from '@client/squad/SquadPage';
import { ListAndDetail } from '@client/ui/ListAndDetail';

export default function SquadLayout() {
  return <ListAndDetail list={<SquadPage />} hasWholeWidth={(path) => path === '/squad'} />;
}
