import { Press } from './Press';
import { SPACE } from './theme';
import { Tick } from './Tick';
import { Text } from './Text';

type Props = { label: string; checked: boolean; onChange: (checked: boolean) => void };

/** Something that holds or does not, with its box. */
export function TickRow({ label, checked, onChange }: Props) {
  return (
    <Press
      role="checkbox"
      aria-label={label}
      aria-checked={checked}
      onPress={() => onChange(!checked)}
      style={{ minHeight: 44, flexDirection: 'row', alignItems: 'center', gap: SPACE.s, alignSelf: 'flex-start' }}
    >
      <Tick on={checked} />
      <Text>{label}</Text>
    </Press>
  );
}
