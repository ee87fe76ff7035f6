import { View } from 'react-native';
import type { Doubt } from '@core/session/doubts';
import type { ReadAs } from '@core/session/reader';
import { SmallButton } from '../../../ui/SmallButton';
import { RADIUS, SPACE, usePalette } from '../../../ui/theme';
import { Text } from '../../../ui/Text';

/** The text with one line, or all of them, in the canonical form; comments behind them stay. */
const withLines = (text: string, lines: readonly ReadAs[]): string =>
  [...lines]
    .sort((a, b) => b.from - a.from)
    .reduce(
      (written, { from, to, text: line }) =>
        `${written.slice(0, from)}${line}${/\s$/.test(written.slice(from, to)) ? ' ' : ''}${written.slice(to)}`,
      text,
    );

type Props = {
  text: string;
  readAs: readonly ReadAs[];
  doubts: readonly Doubt[];
  /** Takes the whole text with what was understood in its place. */
  onTake: (text: string) => void;
};

/** What was understood though it is not written in the shorthand, to be taken over by a tap; and what may be a slip. */
export function Understood({ text, readAs, doubts, onTake }: Props) {
  const palette = usePalette();
  if (readAs.length === 0 && doubts.length === 0) return null;
  return (
    <View role="status" aria-label="How it was understood" style={{ gap: SPACE.s }}>
      {readAs.length > 0 && (
        <View style={{ backgroundColor: palette.raised, borderRadius: RADIUS, padding: SPACE.m, gap: SPACE.s }}>
          <Text as="small" quiet>
            Read as
          </Text>
          {readAs.map((line) => (
            <Text as="strong" key={line.from}>
              {line.text}
            </Text>
          ))}
          <View style={{ alignItems: 'flex-start' }}>
            <SmallButton onPress={() => onTake(withLines(text, readAs))}>Write it like this</SmallButton>
          </View>
        </View>
      )}
      {doubts.map(({ from, message }) => (
        <Text as="small" quiet key={from}>
          {message}
        </Text>
      ))}
    </View>
  );
}
