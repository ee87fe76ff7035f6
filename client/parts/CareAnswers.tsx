import { View } from 'react-native';
import { isAlarm, type CareEntry } from '@core/judgement/care';
import { careTexts, USUAL_CAUTION } from '@core/judgement/careWords';
import { CARE_CHOICES, type CareChoice } from '@core/run/events';
import { listed } from '@core/units/listed';
import { dayInText } from '../ui/days';
import { CARE_CHOICE_WORDS } from './careText';
import { Segments } from '../ui/Segments';
import { SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';

/** Reasons for care in one line; those of one day name it once. */
export const careLine = (entries: readonly CareEntry[]): string => listed(careTexts(entries, dayInText));

type Props = {
  name: string;
  entries: readonly CareEntry[];
  choice: CareChoice | undefined;
  choose: (choice: CareChoice) => void;
  /** The name stands above already. */
  withoutName?: boolean;
};

/** Somebody to take care of: why, and the three answers in one tap. With pain or illness the usual caution goes with it. */
export function CareAnswers({ name, entries, choice, choose, withoutName = false }: Props) {
  const palette = usePalette();
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text as="small">{withoutName ? careLine(entries) : `${name}: ${careLine(entries)}.`}</Text>
      {entries.some(isAlarm) && (
        <Text as="small" color={palette.late}>
          {USUAL_CAUTION}
        </Text>
      )}
      <Segments who={name} values={CARE_CHOICES} words={CARE_CHOICE_WORDS} value={choice} onChange={choose} />
    </View>
  );
}
