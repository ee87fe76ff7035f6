import { router } from 'expo-router';
import { View } from 'react-native';
import { repLabel } from '@core/run/plan';
import { formatRest, formatTime } from '@core/units/time';
import { useLastTimeQuery } from '../store/api';
import { dayName } from '../ui/days';
import { TextButton } from '../ui/TextButton';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';

/** How this session went the last time; nothing where it never was run. */
export function LastTime({ sessionId }: { sessionId: string }) {
  const { data: last } = useLastTimeQuery(sessionId, { refetchOnMountOrArgChange: true });
  if (!last) return null;
  const { runId, date, kind, meanS, evennessPercent, effort, restS } = last;
  const lines = [
    `${repLabel(kind)} in ${formatTime(meanS, 1)} on average`,
    ...(evennessPercent === undefined ? [] : [`even to ± ${evennessPercent.toFixed(1)}\u00a0%`]),
    ...(effort === undefined ? [] : [`effort ${effort.toFixed(1)}`]),
    ...(restS === undefined ? [] : [`rests ${formatRest(restS)}`]),
  ];
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
      <Text as="small" style={{ flex: 1 }}>{`Last time, ${dayName(date)}: ${lines.join(', ')}.`}</Text>
      <TextButton label="See how it went the last time" onPress={() => router.push(`/results/${runId}`)}>
        See it
      </TextButton>
    </View>
  );
}
