import { View } from 'react-native';
import { INTENT_FACTS, INTENTS, type Intent } from '@core/session/intent';
import { capitalised } from '@core/units/capitalised';
import { Select } from '../../../ui/Select';
import { Text } from '../../../ui/Text';

/** How hard a number of 1 to 10 is, in words. */
const effortWord = (effort: number) =>
  effort < 3.6
    ? 'easy'
    : effort < 5.6
      ? 'medium'
      : effort < 7.1
        ? 'medium-hard'
        : effort < 8.6
          ? 'hard'
          : effort < 9.6
            ? 'very hard'
            : 'all out';

type Props = { chosen: Intent | undefined; suggested: Intent; onChange: (intent: Intent | undefined) => void };

/** What kind of session it is: suggested from what is written, or as the coach says; and how it is meant to feel. */
export function KindPicker({ chosen, suggested, onChange }: Props) {
  const { description, arc } = INTENT_FACTS[chosen ?? suggested];
  const feels = [...new Set([arc.first, arc.middle, arc.last].map(effortWord))].join(', then ');
  return (
    <View style={{ gap: 4 }}>
      <Select
        label="Kind"
        options={[
          { value: '', text: `${INTENT_FACTS[suggested].name} (suggested)` },
          ...INTENTS.map((intent) => ({ value: intent, text: INTENT_FACTS[intent].name })),
        ]}
        value={chosen ?? ''}
        onChange={(value) => onChange(value === '' ? undefined : value)}
      />
      <Text as="small" quiet>
        {`${capitalised(description)}. Meant to feel ${feels}.`}
      </Text>
    </View>
  );
}
