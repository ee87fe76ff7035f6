import { router } from 'expo-router';
import { View } from 'react-native';
import { repLabel } from '@core/run/plan';
import { counted } from '@core/units/counted';
import { meanOfKnown } from '@core/units/mean';
import { formatRest, formatTime } from '@core/units/time';
import { useLastTimeQuery } from '../store/api';
import { dayName } from '../ui/days';
import { TextButton } from '../ui/TextButton';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';

type Props = { sessionId: string; runningIds: ReadonlySet<string> };

/** This session's last result, averaged over those who ran it then and run it now; nothing if it was never run. */
export function LastTime({ sessionId, runningIds }: Props) {
  const { data: last } = useLastTimeQuery(sessionId, { refetchOnMountOrArgChange: true });
  if (!last) return null;
  const { runId, date, kind, athletes } = last;
  const both = athletes.filter(({ athleteId }) => runningIds.has(athleteId));
  const of = (list: typeof athletes, value: (part: (typeof athletes)[number]) => number | undefined) =>
    meanOfKnown(list.map(value));
  const meanS = of(both, (part) => part.meanS);
  const even = of(both, ({ evennessPercent }) => evennessPercent);
  const effort = of(both, (part) => part.effort);
  const restS = of(both, (part) => part.restS);
  const lines = [
    ...(meanS === undefined ? [] : [`${repLabel(kind)} in ${formatTime(meanS, 1)} on average`]),
    ...(even === undefined ? [] : [`± ${even.toFixed(1)}\u00a0% rep to rep`]),
    ...(effort === undefined ? [] : [`effort ${effort.toFixed(1)}`]),
    ...(restS === undefined ? [] : [`rests ${formatRest(restS)}`]),
  ];
  const text =
    both.length === 0
      ? `Last time, ${dayName(date)}, others ran it.`
      : `Last time, ${dayName(date)}, ${both.length === 1 ? 'the one who runs' : `the ${counted(both.length, 'athlete')} who run`} it again: ${lines.join(', ')}.`;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
      <Text as="small" style={{ flex: 1 }}>
        {text}
      </Text>
      <TextButton label="See how it went the last time" onPress={() => router.push(`/results/${runId}`)}>
        See it
      </TextButton>
    </View>
  );
}
