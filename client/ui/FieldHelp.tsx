import { HelperText } from 'react-native-paper';
import { WORDS } from './theme';

type Props = { id: string; error?: string | undefined; hint?: string | undefined };

/** What is wrong with a field, else what to know of it: right under it, and said as it appears. */
export function FieldHelp({ id, error, hint }: Props) {
  const text = error ?? hint;
  if (text === undefined) return null;
  return (
    <HelperText
      nativeID={id}
      type={error === undefined ? 'info' : 'error'}
      aria-live="polite"
      padding="none"
      style={[WORDS.small, { paddingVertical: 0 }]}
    >
      {text}
    </HelperText>
  );
}
