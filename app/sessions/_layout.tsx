import { SessionList } from '@client/frame/screens';
import { ListAndDetail } from '@client/ui/ListAndDetail';

export default function SessionsLayout() {
  // Writing wants the whole width: text, lap sheet and targets stand side by side.
  return <ListAndDetail list={<SessionList />} listWidth={290} hasWholeWidth={(path) => path !== '/sessions'} />;
}
