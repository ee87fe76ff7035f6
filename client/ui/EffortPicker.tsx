import { View } from 'react-native';
import { ChoiceChip } from './ChoiceChip';

const EFFORTS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10];

type Props = { label: string; value: number | undefined; onPick: (effort: number) => void };

/** Effort from 1 to 10, one press. */
export function EffortPicker({ label, value, onPick }: Props) {
  return (
    <View role="radiogroup" aria-label={label} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
      {EFFORTS.map((effort) => (
        <ChoiceChip key={effort} role="radio" on={effort === value} onPress={() => onPick(effort)}>
          {String(effort)}
        </ChoiceChip>
      ))}
    </View>
  );
}
