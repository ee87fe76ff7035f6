import { SessionList } from '@client/frame/screens';
import { PickOne } from '@client/ui/PickOne';

export default function Sessions() {
  return <PickOne list={<SessionList />}>Choose a session, or write a new one.</PickOne>;
}
