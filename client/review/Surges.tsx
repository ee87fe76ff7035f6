import { counted } from '@core/units/counted';
import { View } from 'react-native';
import type { Review } from '@core/review/review';
import { formatClock } from '@core/units/time';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';

/** What was tapped in work without structure: when, and for how long. */
export function Surges({ review: { surges } }: { review: Review }) {
  const sumS = surges.reduce((sum, { lengthS }) => sum + lengthS, 0);
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text as="heading" level={2}>
        {`${counted(surges.length, 'surge')}, ${formatClock(sumS)} in all`}
      </Text>
      <View role="list">
        {surges.map(({ fromS, lengthS }) => (
          <View role="listitem" key={fromS}>
            <Text>{`after ${formatClock(fromS)}, for ${formatClock(lengthS)}`}</Text>
          </View>
        ))}
      </View>
    </View>
  );
}
