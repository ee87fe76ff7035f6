import { View } from 'react-native';
import { cameTo, type AtPace } from '@core/review/cameTo';
import type { ReviewCell } from '@core/review/cell';
import { listed } from '@core/units/listed';
import { formatTime } from '@core/units/time';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';

const amount = ({ distanceM, durationS }: Pick<AtPace, 'distanceM' | 'durationS'>) =>
  distanceM > 0 ? `${(distanceM / 1000).toFixed(1)} km in ${formatTime(durationS, 0)}` : formatTime(durationS, 0);

/** An athlete's totals: metres and minutes at each pace, and in all. */
export function CameTo({ cells }: { cells: readonly ReviewCell[] }) {
  const { byPace, ...all } = cameTo(cells);
  if (all.durationS === 0) return null;
  const parts = byPace.map((part) => `${amount(part)} ${part.pace === '' ? 'by effort' : `at ${part.pace}`}`);
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text as="heading" level={2}>
        What it came to
      </Text>
      <Text>{`${listed(parts)}${byPace.length > 1 ? `; ${amount(all)} in all` : ''}.`}</Text>
    </View>
  );
}
