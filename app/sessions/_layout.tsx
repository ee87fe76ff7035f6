import { SessionList } from '@client/session/SessionList';
import { ListAndDetail } from '@client/ui/ListAndDetail';

export default function SessionsLayout() {
  return <ListAndDetail list={<SessionList />} listWidth={290} />;
}
