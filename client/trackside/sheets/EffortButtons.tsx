import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { RADIUS, usePalette } from '../../ui/theme';
import { Text } from '../../ui/Text';

/** For those who would rather not have numbers: about where on 1 to 10 the words lie. */
const WORDS_FOR_EFFORT = [
  { effort: 4, words: 'in control' },
  { effort: 6.5, words: 'working' },
  { effort: 9, words: 'straining' },
] as const;

type Props = { effort: number | undefined; onPick: (effort: number) => void };

/** Effort in one tap. */
export function EffortButtons({ effort, onPick }: Props) {
  const palette = usePalette();
  const button = (value: number, text: string, basis: `${number}%`) => (
    <Press
      key={text}
      role="radio"
      aria-checked={effort === value}
      aria-label={text === String(value) ? `Effort ${value}` : `Effort: ${text}`}
      onPress={() => onPick(value)}
      style={{
        flexBasis: basis,
        flexGrow: 1,
        height: 56,
        alignItems: 'center',
        justifyContent: 'center',
        borderRadius: RADIUS,
        borderWidth: effort === value ? 3 : 1.5,
        borderColor: palette.ink,
        backgroundColor: effort === value ? palette.action : palette.raised,
      }}
    >
      <Text as="heading" {...(effort === value ? { color: palette.onAction } : {})}>
        {text}
      </Text>
    </Press>
  );
  return (
    <View role="radiogroup" aria-label="How hard was it, 1 to 10?" style={{ gap: 6 }}>
      {[
        [1, 2, 3, 4, 5],
        [6, 7, 8, 9, 10],
      ].map((row) => (
        <View key={row[0]} style={{ flexDirection: 'row', gap: 6 }}>
          {row.map((value) => button(value, String(value), '16%'))}
        </View>
      ))}
      <View style={{ flexDirection: 'row', gap: 6 }}>
        {WORDS_FOR_EFFORT.map((feeling) => button(feeling.effort, feeling.words, '30%'))}
      </View>
    </View>
  );
}
