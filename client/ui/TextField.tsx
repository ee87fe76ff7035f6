import type { Ref } from 'react';
import {
  TextInput,
  View,
  type KeyboardTypeOptions,
  type NativeSyntheticEvent,
  type TextInputProps,
} from 'react-native';
import { RADIUS, usePalette } from './theme';
import { Text } from './Text';

type Props = {
  label: string;
  /** What it is called for screen readers, where that is not the label. */
  name?: string;
  value: string;
  onChange: (text: string) => void;
  onBlur?: () => void;
  /** What is wrong with it: said beside the field; the typing is kept. */
  error?: string | undefined;
  /** A question or an explanation under the field. */
  hint?: string | undefined;
  placeholder?: string;
  lines?: number;
  keyboard?: KeyboardTypeOptions;
  autoFocus?: boolean;
  onSelect?: (at: number) => void;
  inputRef?: Ref<TextInput>;
  /** Not shown while it is typed. */
  secret?: boolean;
  onEnter?: () => void;
};

/** A labelled text field whose trouble stands right under it. */
export function TextField({
  label,
  name = label,
  value,
  onChange,
  onBlur,
  error,
  hint,
  placeholder,
  lines = 1,
  keyboard,
  autoFocus,
  onSelect,
  inputRef,
  secret = false,
  onEnter,
}: Props) {
  const palette = usePalette();
  const many = lines > 1;
  const events: Pick<TextInputProps, 'onSelectionChange' | 'onBlur' | 'onSubmitEditing'> = {
    ...(onBlur ? { onBlur } : {}),
    ...(onEnter ? { onSubmitEditing: onEnter } : {}),
    ...(onSelect
      ? {
          onSelectionChange: (event: NativeSyntheticEvent<{ selection: { end: number } }>) =>
            onSelect(event.nativeEvent.selection.end),
        }
      : {}),
  };
  return (
    <View style={{ gap: 4 }}>
      <Text as="label" quiet>
        {label}
      </Text>
      <TextInput
        {...(inputRef ? { ref: inputRef } : {})}
        aria-label={name}
        aria-invalid={error !== undefined}
        value={value}
        onChangeText={onChange}
        {...events}
        {...(placeholder ? { placeholder } : {})}
        {...(keyboard ? { inputMode: keyboard === 'decimal-pad' ? 'decimal' : 'text' } : {})}
        placeholderTextColor={palette.quiet}
        multiline={many}
        secureTextEntry={secret}
        {...(secret ? { autoComplete: 'current-password' as const } : {})}
        numberOfLines={lines}
        autoFocus={autoFocus ?? false}
        autoCapitalize={many ? 'none' : 'sentences'}
        autoCorrect={false}
        spellCheck={false}
        style={{
          minHeight: 48,
          borderWidth: 1.5,
          borderColor: error ? palette.late : palette.quiet,
          borderRadius: RADIUS,
          paddingHorizontal: 12,
          paddingVertical: many ? 10 : 0,
          fontFamily: 'Zest',
          fontWeight: '500',
          fontSize: many ? 18 : 17,
          ...(many ? { lineHeight: 26 } : {}),
          color: palette.ink,
          backgroundColor: palette.ground,
        }}
      />
      {error !== undefined && (
        <Text as="small" color={palette.late}>
          {error}
        </Text>
      )}
      {hint !== undefined && (
        <Text as="small" quiet>
          {hint}
        </Text>
      )}
    </View>
  );
}
