import { View } from 'react-native';
import { Press } from './Press';
import { RADIUS, usePalette } from './theme';
import { Words } from './Words';

type Props = {
  label: string;
  value: number;
  /** The value as it is shown: `3.0 s`. */
  text: string;
  step: number;
  min: number;
  max: number;
  onChange: (value: number) => void;
};

/** A number changed by one press at a time. */
export function Stepper({ label, value, text, step, min, max, onChange }: Props) {
  const palette = usePalette();
  const to = (next: number) => onChange(Math.min(max, Math.max(min, Math.round(next * 1000) / 1000)));
  const button = (sign: string, says: string, next: number, enabled: boolean) => (
    <Press
      role="button"
      aria-label={`${label}: ${says}`}
      disabled={!enabled}
      onPress={() => to(next)}
      style={{
        width: 48,
        height: 48,
        alignItems: 'center',
        justifyContent: 'center',
        borderRadius: RADIUS,
        borderWidth: 1.5,
        borderColor: enabled ? palette.ink : palette.line,
      }}
    >
      <Words as="title" quiet={!enabled}>
        {sign}
      </Words>
    </Press>
  );
  return (
    <View role="group" aria-label={label} style={{ gap: 4 }}>
      <Words as="label" quiet>
        {label}
      </Words>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        {button('−', 'less', value - step, value > min)}
        <Words as="strong" live="polite" style={{ minWidth: 56, textAlign: 'center' }}>
          {text}
        </Words>
        {button('+', 'more', value + step, value < max)}
      </View>
    </View>
  );
}
