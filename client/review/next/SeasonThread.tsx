import { View } from 'react-native';
import type { ThreadDecision } from '@core/season/season';
import { THREAD_STEPS, THREAD_STEP_WORDS } from '../../data/threadSteps';
import { useSeasonEdit } from '../../data/useSeasonEdit';
import { dayInText } from '../../ui/days';
import { Segments } from '../../ui/Segments';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import type { Next } from './useNext';
import type { Turn } from './useTurns';

type Step = ThreadDecision['step'];

/** What most of them are to do. */
function mostOf(placed: Next['placed']): Step | undefined {
  const count = (step: Step) => placed.filter((candidate) => candidate.step === step).length;
  return [...THREAD_STEPS].sort((a, b) => count(b) - count(a))[0];
}

type RowProps = Turn & { most: Step | undefined };

function Row({ laid, thread, date, next, most }: RowProps) {
  const edit = useSeasonEdit(laid);
  const decided = laid.season.decisions
    .filter((decision) => decision.threadId === thread.id && decision.date >= date)
    .at(-1);
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text>{`“${thread.name}” in ${laid.season.name}`}</Text>
      <Text as="small" quiet>
        {[
          ...(most ? [`Most of them: ${THREAD_STEP_WORDS[most].toLowerCase()}.`] : []),
          ...(next === undefined ? [] : [`Its next turn is ${dayInText(next)}.`]),
        ].join(' ')}
      </Text>
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
      />
    </View>
  );
}

/** The threads of seasons that this session was a turn of: whether they go on, wait or step back, by the coach's word. */
export function SeasonThread({ turns, next }: { turns: readonly Turn[]; next: Next }) {
  if (turns.length === 0) return null;
  return (
    <View role="region" aria-label="In the season" style={{ gap: SPACE.s }}>
      <Text as="heading" level={2}>
        In the season
      </Text>
      {turns.map((turn) => (
        <Row key={`${turn.laid.id} ${turn.thread.id}`} {...turn} most={mostOf(next.placed)} />
      ))}
    </View>
  );
}
