import { Link } from 'expo-router';
import { View } from 'react-native';
import { Divider } from 'react-native-paper';
import { markOfEstimate, trialsIn, type FitnessReading } from '@core/review/fitnessReading';
import type { SquadMember } from '@core/squad/athlete';
import { listed } from '@core/units/listed';
import { everyoneIn, type SquadView, useSquad } from '../data/useSquad';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import { doubtText, fitnessText, othersText } from './fitnessText';
import { KeepMark } from './KeepMark';
import { useSquadFitness } from './useFitness';
import type { ReadRun } from './useReview';

/** Those of whom most is learned first. */
const byLearned = (a: FitnessReading, b: FitnessReading) => b.learned - a.learned;

/** True if the reading differs from what the marks said. */
const isChanged = ({ is, changed, surprise }: FitnessReading) =>
  is !== 'as-known' || changed !== undefined || surprise !== undefined;

type RowProps = { read: ReadRun; squad: SquadView; athlete: SquadMember; reading: FitnessReading };

/** Somebody who is another than was known: how much, and one tap to keep it. */
function ChangedRow({ read, squad, athlete, reading }: RowProps) {
  const { plan } = read;
  const row = read.reviews.flatMap(({ rows }) => rows).find(({ athleteId }) => athleteId === athlete.id);
  const [trial] = row ? trialsIn(row, plan.intent, { points: [] }, plan) : [];
  const mark = trial ?? markOfEstimate(reading, plan);
  return (
    <View role="listitem">
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m, paddingVertical: SPACE.s }}>
        <View style={{ flex: 1, gap: 2 }}>
          <Link
            href={`/results/${plan.id}/${athlete.id}`}
            aria-label={`${athlete.name}, rep by rep, for their fitness`}
          >
            <Text as="strong">{athlete.name}</Text>
          </Link>
          <Text as="small">{fitnessText(reading)}</Text>
        </View>
        {mark && <KeepMark {...{ squad, athlete, mark }} short />}
      </View>
      <Divider />
    </View>
  );
}

/** What the session says about everyone's fitness; who is another than was known by name, with how much. */
export function SquadFitness({ read }: { read: ReadRun }) {
  const readings = useSquadFitness(read);
  const { squad } = useSquad();
  if (!readings || !squad || readings.length === 0) return null;
  const members = new Map(everyoneIn(squad).map((athlete) => [athlete.id, athlete]));
  const learned = readings.filter(({ nothingNew }) => !nothingNew).sort(byLearned);
  const changed = learned.filter(isChanged);
  const surer = learned
    .filter((reading) => !isChanged(reading))
    .flatMap(({ athleteId }) => members.get(athleteId)?.name ?? []);
  const doubt = readings[0] && doubtText(readings[0]);
  const others = readings.length - learned.length;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text as="heading" level={2}>
        What it says about fitness
      </Text>
      {doubt !== undefined && (
        <Text as="small" quiet>
          {doubt}
        </Text>
      )}
      {changed.length > 0 && (
        <View role="list">
          {changed.map((reading) => {
            const athlete = members.get(reading.athleteId);
            return athlete && <ChangedRow key={athlete.id} {...{ read, squad, athlete, reading }} />;
          })}
        </View>
      )}
      {surer.length > 0 && <Text as="small">{`As expected from the marks, and surer now: ${listed(surer)}.`}</Text>}
      {others > 0 && (
        <Text as="small" quiet>
          {othersText(others, learned.length)}
        </Text>
      )}
    </View>
  );
}
