import { View } from 'react-native';
import { timeErrorFor, timeFor } from '@core/fitness/curve';
import type { SquadMember } from '@core/squad/athlete';
import type { AthletePaces } from '@core/squad/athletePaces';
import { goalReach, lagWeeksOf } from '@core/squad/goalReach';
import { formatDistance } from '@core/units/distance';
import { formatTime } from '@core/units/time';
import { today } from '../ui/days';
import { Text } from '../ui/Text';
import { reachTexts } from '../data/trendText';
import { useTrend } from '../data/useTrend';

type Props = { athlete: SquadMember; paces: AthletePaces };

/** Whether the goal can be reached by its day: what is to be found, the rate it needs beside their own, and what else could be aimed at. */
export function GoalReachText({ athlete, paces }: Props) {
  const { goal } = athlete;
  const { curve } = paces;
  const { trend } = useTrend(paces, goal?.distanceM ?? 5000);
  if (!goal || !curve) return null;
  const { distanceM } = goal;
  const now = { timeS: timeFor(curve, distanceM), errorS: timeErrorFor(curve, distanceM), lagWeeks: lagWeeksOf(curve) };
  const reach = goalReach(now, trend, goal, today());
  if (!reach) return null;
  const toFindS = now.timeS - goal.timeS;
  return (
    <View style={{ gap: 2 }}>
      {toFindS > 0 && (
        <Text as="small">
          {`${formatTime(toFindS, 1)} s to find over ${formatDistance(distanceM)}, ${formatTime((toFindS * 400) / distanceM, 1)} s a lap.`}
        </Text>
      )}
      {reachTexts(reach, trend, goal, { distanceM, timeS: now.timeS }).map((text) => (
        <Text as="small" key={text}>
          {text}
        </Text>
      ))}
    </View>
  );
}
