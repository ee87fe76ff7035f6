import { Text as NativeText, View } from 'react-native';
import type { Problem } from '@core/session/reader';
import { SmallButton } from '../../../ui/SmallButton';
import { RADIUS, SPACE, usePalette } from '../../../ui/theme';
import { Text } from '../../../ui/Text';
import { problemLine } from './problemLine';

type Props = {
  text: string;
  problems: readonly Problem[];
  /** Takes the whole text as it is with an answer. */
  onAnswer: (text: string) => void;
};

/** What cannot be read in the shorthand, or only in two ways: the line with the characters marked, what is asked, and the answers. */
export function Problems({ text, problems, onAnswer }: Props) {
  const palette = usePalette();
  if (text.trim() === '') return null;
  return (
    <View role="alert" aria-label="What cannot be read" style={{ gap: SPACE.s }}>
      {problems.map((problem) => {
        const { line, before, at, after } = problemLine(text, problem);
        return (
          <View
            key={`${problem.from}-${problem.message}`}
            style={{ backgroundColor: palette.raised, borderRadius: RADIUS, padding: SPACE.m, gap: SPACE.xs }}
          >
            <Text quiet>
              {before}
              <NativeText
                style={{
                  backgroundColor: palette.warning,
                  color: palette.onAction,
                  textDecorationLine: 'underline',
                  fontWeight: '700',
                }}
              >
                {at || ' '}
              </NativeText>
              {after}
            </Text>
            <Text as="small" color={palette.late}>
              {`Line ${line}: ${problem.message}`}
            </Text>
            {problem.readings && (
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, paddingTop: SPACE.xs }}>
                {problem.readings.map((reading) => (
                  <SmallButton key={reading.label} onPress={() => onAnswer(reading.text)}>
                    {reading.label}
                  </SmallButton>
                ))}
              </View>
            )}
          </View>
        );
      })}
    </View>
  );
}
