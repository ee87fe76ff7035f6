import { router, usePathname } from 'expo-router';
import { View } from 'react-native';
import { troubleText, useRunsQuery, type ListedRun } from '../store/api';
import { dayName } from '../ui/days';
import { Empty } from '../ui/Empty';
import { ListRow } from '../ui/ListRow';
import { Loading } from '../ui/Loading';
import { LookSwitch } from '../ui/LookSwitch';
import { Page } from '../ui/Page';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { useWide } from '../ui/useWide';

function aboutRun({ date, summary }: ListedRun): string {
  const people = `${summary.athletes} athlete${summary.athletes === 1 ? '' : 's'}`;
  const ran = `${summary.finished} of ${summary.planned} reps`;
  const open = summary.endedAtMs === undefined ? ' · under way' : '';
  return `${dayName(date)} · ${people} · ${ran}${open}`;
}

/** What was run, the latest first. */
export function ResultList() {
  const { data, error, refetch } = useRunsQuery(undefined, { refetchOnMountOrArgChange: true });
  // A roll call that came to nothing is no result.
  const runs = data?.filter((run) => run.summary.startedAtMs !== undefined);
  const path = usePathname();
  const wide = useWide();
  return (
    <Page title="Results" aside={wide ? undefined : <LookSwitch />}>
      {error ? <Trouble retry={() => void refetch()}>{troubleText(error)}</Trouble> : !runs && <Loading />}
      {runs?.length === 0 && (
        <Empty title="No results yet" action={{ label: 'Go to the track', onPress: () => router.push('/track') }}>
          Once a session has been timed at the track, everyone’s times stand here.
        </Empty>
      )}
      <View role="list" style={{ marginHorizontal: -SPACE.l }}>
        {runs?.map((run) => (
          <View role="listitem" key={run.id}>
            <ListRow
              href={`/results/${run.id}`}
              title={run.title}
              about={aboutRun(run)}
              chosen={path === `/results/${run.id}`}
            />
          </View>
        ))}
      </View>
    </Page>
  );
}
