import { counted } from '@core/units/counted';
import { router, usePathname } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { RunSummary } from '@core/review/summary';
import type { ListedRun } from '@core/api/answers';
import { usePages } from '../data/usePages';
import {
  troubleText,
  useRestoreRunMutation,
  useResultsInfiniteQuery,
  useRunsApartQuery,
  useSetRunAsideMutation,
} from '../store/api';
import { dayName } from '../ui/days';
import { Empty } from '../ui/Empty';
import { ListRow } from '../ui/ListRow';
import { LongList } from '../ui/LongList';
import { Loading } from '../ui/Loading';
import { SettingsLink } from '../parts/SettingsLink';
import { Page } from '../ui/Page';
import { SmallButton } from '../ui/SmallButton';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { useNotice } from '../ui/Notices';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';

function aboutRun(date: string, summary: RunSummary): string {
  const people = counted(summary.athletes, 'athlete');
  const ran = `${summary.finished} of ${counted(summary.planned, 'rep')}`;
  const open = summary.endedAtMs === undefined ? ' · under way' : '';
  return `${dayName(date)} · ${people} · ${ran}${open}`;
}

/** Sessions that cannot be read, and those that were put away for it. */
function Damaged({ runs }: { runs: readonly ListedRun[] }) {
  const [setAside] = useSetRunAsideMutation();
  const [restore] = useRestoreRunMutation();
  const notice = useNotice();
  const act = async (done: { error?: unknown }, noticeText: string) =>
    notice({ text: done.error ? troubleText(done.error) : noticeText });
  const [unreadable, aside] = [runs.filter((run) => run.isUnreadable), runs.filter((run) => run.isSetAside)];
  if (unreadable.length + aside.length === 0) return null;
  return (
    <View style={{ gap: SPACE.s }}>
      {unreadable.map(({ id, title, date }) => (
        <View key={id} style={{ gap: SPACE.s }}>
          <Trouble>{`“${title}” of ${dayName(date)} cannot be read: what is stored of it is damaged. All other results are whole.`}</Trouble>
          <SmallButton
            label={`Set ${title} aside`}
            onPress={() =>
              void setAside(id).then((done) => act(done, `“${title}” is set aside; nothing of it is gone.`))
            }
          >
            Set aside
          </SmallButton>
        </View>
      ))}
      {aside.length > 0 && (
        <Text as="label" quiet level={2}>
          Removed
        </Text>
      )}
      {aside.map(({ id, title, date }) => (
        <View key={id} style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }}>
          <Text style={{ flex: 1 }}>{`${title}, ${dayName(date)}`}</Text>
          <SmallButton
            label={`Bring ${title} back`}
            onPress={() => void restore(id).then((done) => act(done, `“${title}” is back.`))}
          >
            Bring back
          </SmallButton>
        </View>
      ))}
    </View>
  );
}

/** How soon it is asked again for what the server is still reading. */
const ASK_AGAIN_MS = 1500;

/** What was run, the latest first. */
export function ResultList() {
  const [isPending, setPending] = useState(false);
  const asking = { refetchOnMountOrArgChange: true, pollingInterval: isPending ? ASK_AGAIN_MS : 0 };
  const results = useResultsInfiniteQuery({}, asking);
  const { data: apart, error: apartError, refetch: refetchApart } = useRunsApartQuery(undefined, asking);
  const { rows: runs, more } = usePages(results);
  const error = runs ? apartError : results.error;
  const pending = apart?.pending ?? 0;
  if (isPending !== pending > 0) setPending(pending > 0);
  const refetch = () => {
    void results.refetch();
    void refetchApart();
  };
  const path = usePathname();
  const wide = useWide();
  return (
    <Page title="Results" aside={wide ? undefined : <SettingsLink />}>
      {error ? <Trouble retry={refetch}>{troubleText(error)}</Trouble> : !runs && <Loading />}
      {pending > 0 && (
        <View role="status">
          <Text as="small">{`${pending} earlier ${pending === 1 ? 'session is' : 'sessions are'} being read and will be here in a moment.`}</Text>
        </View>
      )}
      {runs?.length === 0 && pending === 0 && (
        <Empty title="No results yet" action={{ label: 'Go to the track', onPress: () => router.push('/track') }}>
          Once a session has been timed at the track, everyone’s times stand here.
        </Empty>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {runs && runs.length > 0 && (
          <SmallButton onPress={() => router.push('/results/squad')}>The squad over the weeks</SmallButton>
        )}
        {runs && <SmallButton onPress={() => router.push('/results/files')}>Bring in results</SmallButton>}
      </View>
      <LongList
        rows={runs ?? []}
        keyOf={({ id }) => id}
        row={({ id, title, date, summary }) => (
          <ListRow
            href={`/results/${id}`}
            title={title}
            detail={summary ? aboutRun(date, summary) : dayName(date)}
            chosen={path === `/results/${id}` || path.startsWith(`/results/${id}/`)}
          />
        )}
        more={more}
      />
      <Damaged runs={apart?.runs ?? []} />
    </Page>
  );
}
