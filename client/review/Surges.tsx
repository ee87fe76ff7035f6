import { View } from 'react-native';
import type { Review } from '@core/review/review';
import { formatClock } from '@core/units/time';
import { SPACE } from '../ui/theme';
import { Words } from '../ui/Words';

/** What was tapped in work without structure: when, and for how long. */
export function Surges({ review: { surges } }: { review: Review }) {
  const sumS = surges.reduce((sum, { lengthS }) => sum + lengthS, 0);
  return (
    <View style={{ gap: SPACE.xs }}>
      <Words as="heading" level={2}>
        {`${surges.length === 1 ? '1 surge' : `${surges.length} surges`}, ${formatClock(sumS)} in all`}
      </Words>
      <View role="list">
        {surges.map(({ fromS, lengthS }) => (
          <View role="listitem" key={fromS}>
            <Words>{`after ${formatClock(fromS)}, for ${formatClock(lengthS)}`}</Words>
          </View>
        ))}
      </View>
    </View>
  );
}
