import { View } from 'react-native';
import type { EffortReading } from '@core/review/effortReading';
import { goalReps, markOfEstimate, trialsIn } from '@core/review/fitnessReading';
import type { ReviewRow } from '@core/review/review';
import { memberOf, useSquad } from '../data/useSquad';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import { doubtText, fitnessText, goalRepsText } from './fitnessText';
import { KeepMark } from './KeepMark';
import { useFitness, useKnownForFitness } from './useFitness';
import type { ReadRun } from './useReview';

/** What the session says about one athlete's fitness, and what of it can be kept for their paces. */
export function AthleteFitness({ read, row, effort }: { read: ReadRun; row: ReviewRow; effort: EffortReading }) {
  const reading = useFitness(read, row);
  const { squad } = useSquad();
  const athlete = squad && memberOf(squad, row.athleteId);
  const isWaiting = useKnownForFitness(read) === undefined;
  // What follows is not pushed away when it comes.
  if (!reading && isWaiting && athlete && athlete.marks.length > 0)
    return (
      <View style={{ gap: SPACE.s }} aria-busy>
        <Text as="heading" level={2}>
          Fitness
        </Text>
        <Text quiet>Working it out …</Text>
      </View>
    );
  if (!reading || !athlete) return null;
  const { plan } = read;
  const trials = trialsIn(row, plan.intent, effort, plan);
  const estimate = markOfEstimate(reading, plan);
  // A trial says itself what an estimate would say of it.
  const marks = trials.length > 0 ? trials : estimate ? [estimate] : [];
  const doubt = doubtText(reading);
  const atGoal = athlete.goal && goalReps(row);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="heading" level={2}>
        Fitness
      </Text>
      <Text>{fitnessText(reading)}</Text>
      {athlete.goal && atGoal && <Text>{goalRepsText(atGoal, reading, athlete.goal)}</Text>}
      {doubt !== undefined && (
        <Text as="small" quiet>
          {doubt}
        </Text>
      )}
      {marks.length > 0 && athlete.nudge && (
        <Text as="small" quiet>
          You have set their level yourself: that goes before any mark.
        </Text>
      )}
      {marks.map((mark) => (
        <KeepMark key={`${mark.kind} ${mark.distanceM} ${mark.timeS}`} {...{ squad, athlete, mark }} />
      ))}
    </View>
  );
}
