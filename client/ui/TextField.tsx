import { useId, type Ref } from 'react';
import { View, type TextInput as NativeTextInput } from 'react-native';
import { TextInput } from 'react-native-paper';
import { FieldHelp } from './FieldHelp';
import { rem } from './rem';
import { RADIUS, WORDS, usePalette } from './theme';
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
  /** Where its trouble is said, if not right under it. */
  helpId?: string;
  placeholder?: string;
  lines?: number;
  /** Figures, with a point. */
  decimal?: boolean;
  autoFocus?: boolean;
  inputRef?: Ref<NativeTextInput>;
  /** Not shown while it is typed. */
  secret?: boolean;
  onEnter?: () => void;
  /** What is typed looks for something: it can be emptied by one press. */
  finds?: boolean;
};

/** A labelled text field whose trouble stands right under it. The label stands above: inside the edge it would be cut in narrow columns. */
export function TextField({
  label,
  name = label,
  value,
  onChange,
  onBlur,
  error,
  hint,
  helpId,
  placeholder,
  lines = 1,
  decimal = false,
  autoFocus = false,
  inputRef,
  secret = false,
  onEnter,
  finds = false,
}: Props) {
  const palette = usePalette();
  const ownHelpId = useId();
  const many = lines > 1;
  return (
    <View style={{ gap: 4 }}>
      <Text as="label" quiet>
        {label}
      </Text>
      <TextInput
        mode="outlined"
        dense
        {...(inputRef ? { ref: inputRef as never } : {})}
        aria-label={name}
        aria-invalid={error !== undefined}
        {...(error === undefined && hint === undefined ? {} : { 'aria-describedby': helpId ?? ownHelpId })}
        error={error !== undefined}
        value={value}
        onChangeText={onChange}
        {...(onBlur ? { onBlur } : {})}
        {...(onEnter ? { onSubmitEditing: onEnter } : {})}
        {...(placeholder ? { placeholder } : {})}
        inputMode={finds ? 'search' : decimal ? 'decimal' : 'text'}
        multiline={many}
        secureTextEntry={secret}
        {...(secret ? { autoComplete: 'current-password' as const } : {})}
        {...(many ? { numberOfLines: lines } : {})}
        autoFocus={autoFocus}
        autoCapitalize={many ? 'none' : 'sentences'}
        autoCorrect={false}
        spellCheck={false}
        {...(finds && value !== ''
          ? {
              right: (
                <TextInput.Icon
                  icon="close"
                  size={20}
                  accessibilityLabel="Clear the search"
                  onPress={() => onChange('')}
                />
              ),
            }
          : {})}
        style={{ width: '100%' }}
        outlineStyle={{ borderWidth: 1.5, borderRadius: RADIUS }}
        contentStyle={{
          ...WORDS.body,
          ...(many ? { fontSize: rem(18), lineHeight: rem(26) } : {}),
          height: 'auto',
          minWidth: 0,
          minHeight: 48,
          paddingLeft: 12,
          paddingRight: finds && value !== '' ? 48 : 12,
          paddingVertical: many ? 10 : 0,
          borderRadius: RADIUS,
          color: palette.ink,
        }}
      />
      {helpId === undefined && <FieldHelp id={ownHelpId} error={error} hint={hint} />}
    </View>
  );
}
