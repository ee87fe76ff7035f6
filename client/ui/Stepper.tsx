import { View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { RADIUS, usePalette } from './theme';
import { Text } from './Text';

type ButtonProps = { sign: '−' | '+'; label: string; disabled?: boolean; onPress: () => void };

/** One step up or down. */
export function StepButton({ sign, label, disabled = false, onPress }: ButtonProps) {
  const palette = usePalette();
  return (
    <IconButton
      mode="outlined"
      icon={sign === '+' ? 'plus' : 'minus'}
      accessibilityLabel={label}
      disabled={disabled}
      onPress={onPress}
      iconColor={palette.ink}
      style={{
        margin: 0,
        width: 48,
        height: 48,
        borderRadius: RADIUS,
        borderWidth: 1.5,
        borderColor: disabled ? palette.line : palette.ink,
      }}
    />
  );
}

type Props = {
  label: string;
  value: number;
  /** The value as it is shown: `3.0 s`. */
  text: string;
  step: number;
  min: number;
  max: number;
  onChange: (value: number) => void;
  /** What − and + do, where that is not less and more. */
  steps?: { down: string; up: string };
};

const STEPS = { down: 'less', up: 'more' };

/** A number changed by one press at a time. */
export function Stepper({ label, value, text, step, min, max, onChange, steps = STEPS }: Props) {
  const to = (next: number) => onChange(Math.min(max, Math.max(min, Math.round(next * 1000) / 1000)));
  return (
    <View role="group" aria-label={label} style={{ gap: 4 }}>
      <Text as="label" quiet>
        {label}
      </Text>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <StepButton
          sign="−"
          label={`${label}: ${steps.down}`}
          disabled={value <= min}
          onPress={() => to(value - step)}
        />
        <Text as="strong" live="polite" style={{ minWidth: 56, textAlign: 'center' }}>
          {text}
        </Text>
        <StepButton sign="+" label={`${label}: ${steps.up}`} disabled={value >= max} onPress={() => to(value + step)} />
      </View>
    </View>
  );
}
