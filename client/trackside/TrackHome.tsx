import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { troubleText, useOpenRunsQuery, useRunsOnQuery, useSessionsOnQuery } from '../store/api';
import { NotTakenPart } from '../parts/NotTakenPart';
import { SessionRow } from '../parts/SessionRow';
import { dayName } from '../ui/days';
import { Empty } from '../ui/Empty';
import { ListPart } from '../ui/ListPart';
import { ListRow } from '../ui/ListRow';
import { Loading } from '../ui/Loading';
import { SettingsLink } from '../parts/SettingsLink';
import { Page } from '../ui/Page';
import { Trouble } from '../ui/Trouble';
import { useToday } from '../ui/useToday';
import { useWide } from '../ui/useWide';
import { OfflineSign } from './OfflineSign';
import { keptOpenRuns } from '../log/recorder';

type AtTrack = { id: string; sessionId: string; title: string; date: string; started: boolean };

/** Sessions at the track that have not ended (the server's, and those only this phone knows of), and those of today that have. */
function useAtTrack(): { underWay: AtTrack[]; done: AtTrack[] } {
  const today = useToday();
  const { data: open } = useOpenRunsQuery(undefined, { refetchOnMountOrArgChange: true });
  const { data: ofToday } = useRunsOnQuery({ from: today, to: today }, { refetchOnMountOrArgChange: true });
  const [kept, setKept] = useState<Awaited<ReturnType<typeof keptOpenRuns>>>([]);
  useEffect(() => {
    let isOpen = true;
    void keptOpenRuns().then((runs) => isOpen && setKept(runs));
    return () => {
      isOpen = false;
    };
  }, []);
  const listed = new Map([...(open ?? []), ...(ofToday ?? [])].map((run) => [run.id, run]));
  const listedRuns = [...listed.values()].flatMap(({ summary, ...run }) =>
    summary ? [{ ...run, started: summary.startedAtMs !== undefined, isOver: summary.endedAtMs !== undefined }] : [],
  );
  const startedHere = new Set(kept.filter(({ isStarted }) => isStarted).map(({ plan }) => plan.id));
  return {
    underWay: [
      // The phone knows of a start before the server has worked out the results.
      ...listedRuns
        .filter(({ isOver }) => !isOver)
        .map((run) => ({ ...run, started: run.started || startedHere.has(run.id) })),
      // A session the server has, and does not list as open, has ended.
      ...kept.flatMap(({ plan, isStarted, isSent }) =>
        listed.has(plan.id) || (isSent && open) ? [] : [{ ...plan, started: isStarted }],
      ),
    ],
    done: listedRuns.filter(({ isOver, started }) => isOver && started),
  };
}

/** What can be run now: a session under way, today's, and the others to come. */
export function TrackHome() {
  const today = useToday();
  const { data: sessions, error, refetch } = useSessionsOnQuery({ from: today });
  const { underWay, done } = useAtTrack();
  const wide = useWide();
  // Each session once: under way, done today, or still to be run.
  const begun = new Set([...underWay, ...done].map(({ sessionId }) => sessionId));
  const coming = (sessions ?? []).filter((session) => !begun.has(session.id)).reverse();
  const isNothing = coming.length + done.length + underWay.length === 0;
  return (
    <Page title="Track" aside={wide ? undefined : <SettingsLink />}>
      <ListPart
        title="Under way"
        rows={underWay.map(({ id, title, date, started }) => (
          <ListRow
            key={id}
            href={`/track/run/${id}`}
            title={title}
            detail={`${dayName(date)} · ${started ? 'go on where you left off' : 'not started yet'}`}
            marked
          />
        ))}
      />
      {error && underWay.length === 0 ? (
        <Trouble retry={() => void refetch()}>{troubleText(error)}</Trouble>
      ) : (
        !sessions && !error && <Loading />
      )}
      {sessions && isNothing && (
        <Empty title="Nothing for today" action={{ label: 'Go to sessions', onPress: () => router.push('/sessions') }}>
          A session dated today or later can be taken to the track from here.
        </Empty>
      )}
      <ListPart
        title="Ready to run"
        rows={coming.map((session) => (
          <SessionRow
            key={session.id}
            session={session}
            href={`/track/ready/${session.id}`}
            marked={session.date === today && underWay.length === 0}
          />
        ))}
      />
      <ListPart
        title="Done today"
        rows={done.map(({ id, title }) => (
          <ListRow key={id} href={`/results/${id}`} title={title} detail="See the results" />
        ))}
      />
      <NotTakenPart />
      <OfflineSign />
    </Page>
  );
}
