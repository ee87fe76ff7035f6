import { View } from 'react-native';
import { daysOf, type Thread, type ThreadDecision } from '@core/season/season';
import { THREAD_STEPS, THREAD_STEP_WORDS } from '../data/threadSteps';
import { useSeasonEdit } from '../data/useSeasonEdit';
import { useSeasons, type LaidSeason } from '../data/useSeasons';
import type { ReadRun } from '../review/useReview';
import { Segments } from '../ui/Segments';
import { SPACE } from '../ui/theme';
import { Words } from '../ui/Words';
import type { Next } from './useNext';

type Step = ThreadDecision['step'];

/** What most of them are to do. */
function mostOf(placed: Next['placed']): Step | undefined {
  const count = (step: Step) => placed.filter((one) => one.step === step).length;
  return [...THREAD_STEPS].sort((a, b) => count(b) - count(a))[0];
}

type RowProps = { laid: LaidSeason; thread: Thread; date: string; most: Step | undefined };

function Row({ laid, thread, date, most }: RowProps) {
  const edit = useSeasonEdit(laid);
  const decided = laid.season.decisions.filter((one) => one.threadId === thread.id && one.date >= date).at(-1);
  return (
    <View style={{ gap: SPACE.xs }}>
      <Words>{`“${thread.name}” in ${laid.season.name}`}</Words>
      {most && <Words as="small" quiet>{`Most of them: ${THREAD_STEP_WORDS[most].toLowerCase()}.`}</Words>}
      <Segments
        who={thread.name}
        values={THREAD_STEPS}
        words={THREAD_STEP_WORDS}
        value={decided?.step}
        onChange={(step) =>
          void edit.apply(
            { kind: 'decide', decision: { threadId: thread.id, date: decided?.date ?? date, step } },
            `${thread.name}: ${THREAD_STEP_WORDS[step].toLowerCase()}.`,
          )
        }
        minWidth={90}
      />
    </View>
  );
}

/** The threads of seasons that this session was a turn of: whether they go on, wait or step back, by the coach's word. */
export function SeasonThread({ read, next }: { read: ReadRun; next: Next }) {
  const { seasons = [] } = useSeasons();
  const turns = seasons.flatMap((laid) =>
    daysOf(laid.weeks).flatMap(({ sessionId, date, thread: turn }) => {
      const thread = laid.season.threads.find(({ id }) => id === turn?.id);
      return sessionId === read.plan.sessionId && thread ? [{ laid, thread, date }] : [];
    }),
  );
  if (turns.length === 0) return null;
  return (
    <View role="region" aria-label="In the season" style={{ gap: SPACE.s }}>
      <Words as="heading" level={2}>
        In the season
      </Words>
      {turns.map((turn) => (
        <Row key={`${turn.laid.id} ${turn.thread.id}`} {...turn} most={mostOf(next.placed)} />
      ))}
    </View>
  );
}
