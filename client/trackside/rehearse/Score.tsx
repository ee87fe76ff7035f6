import { View } from 'react-native';
import { scoreTiming } from '@core/rehearsal/rehearsal';
import { formatDelta } from '@core/units/time';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import type { Rehearsal } from './useRehearsal';

function Figure({ value, caption }: { value: string; caption: string }) {
  return (
    <View role="listitem" aria-label={`${caption}: ${value}`} style={{ minWidth: 96, flexGrow: 1 }}>
      <Text as="title">{value}</Text>
      <Text as="small">{caption}</Text>
    </View>
  );
}

const seconds = (s: number) => `${s.toFixed(2)} s`;

/** How well the times were taken, against how the made-up squad ran in truth. */
export function Score({ rehearsal: { run, truths } }: { rehearsal: Rehearsal }) {
  const { state, device } = run;
  const score = scoreTiming(state, truths, device, state.endedAtMs ?? run.now());
  const { marks, taken, missed, wrong, meanS, spreadS, worst } = score;
  const name = (athleteId: string) => state.athletes[athleteId]?.tileName ?? '';
  return (
    <View style={{ gap: SPACE.l }}>
      <View role="list" style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l }}>
        <Figure value={`${taken} of ${marks}`} caption="times taken by you" />
        <Figure value={String(missed)} caption="missed altogether" />
        <Figure value={String(wrong)} caption="for somebody else" />
        <Figure value={seconds(Math.abs(meanS))} caption={meanS >= 0 ? 'late on average' : 'early on average'} />
        <Figure value={seconds(spreadS)} caption="spread about that" />
      </View>
      {worst.length > 0 && (
        <View role="list" aria-label="Furthest off" style={{ gap: SPACE.xs }}>
          <Text as="label">Furthest off</Text>
          {worst.map(({ athleteId, repIndex, atM, errorS }) => (
            <Text key={`${athleteId} ${repIndex} ${atM}`}>
              {`${name(athleteId)}, rep ${repIndex + 1} at ${Math.round(atM)}: ${formatDelta(errorS)} s`}
            </Text>
          ))}
        </View>
      )}
      <Text as="small" quiet>
        A practised thumb is within about 0.2 s. Where you are always late, you wait for the runner to be past: tap as
        the chest reaches the line.
      </Text>
    </View>
  );
}
