import { router } from 'expo-router';
import { Empty } from '../ui/Empty';
import { Page } from '../ui/Page';

/** What an address says that leads nowhere. */
export function NoSuchPage() {
  return (
    <Page title="Nothing here">
      <Empty title="No such page" action={{ label: 'All sessions', onPress: () => router.replace('/sessions') }}>
        This address leads nowhere. Nothing is lost: everything is where you left it.
      </Empty>
    </Page>
  );
}
