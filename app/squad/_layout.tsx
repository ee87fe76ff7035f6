import { SquadPage } from '@client/frame/screens';
import { ListAndDetail } from '@client/ui/ListAndDetail';

export default function SquadLayout() {
  return <ListAndDetail list={<SquadPage />} hasWholeWidth={(path) => path === '/squad'} />;
}
