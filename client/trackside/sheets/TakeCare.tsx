import { View } from 'react-native';
import { CARE_CHOICES } from '@core/run/events';
import type { AthleteState } from '@core/run/runState';
import { useCare } from '../../data/useCare';
import { useSquad } from '../../data/useSquad';
import type { Run } from '../../log/useRun';
import { careLine } from '../../parts/CareAnswers';
import { CARE_CHOICE_WORDS } from '../../parts/careText';
import { useAccessQuery } from '../../store/api';
import { Segments } from '../../ui/Segments';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';

/** The sheet of an athlete to take care of: the choice on every phone, the reason on the coach's alone. */
export function TakeCare({ run, athlete }: { run: Run; athlete: AthleteState }) {
  const { squad } = useSquad();
  const isCoach = (useAccessQuery().data?.who ?? 'coach') === 'coach';
  const care = useCare(squad, run.plan.date);
  const { athleteId, name, planned, careChoice } = athlete;
  const entries = care?.of.get(athleteId) ?? [];
  if (!planned.takeCare && entries.length === 0) return null;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text as="small">{entries.length > 0 ? `Take care: ${careLine(entries)}.` : 'Take care.'}</Text>
      {!isCoach && careChoice !== undefined && <Text as="strong">{CARE_CHOICE_WORDS[careChoice]}</Text>}
      {isCoach && (
        <Segments
          who={name}
          values={CARE_CHOICES}
          words={CARE_CHOICE_WORDS}
          value={careChoice}
          onChange={(choice) => run.happen({ type: 'careChosen', athleteId, choice })}
        />
      )}
    </View>
  );
}
