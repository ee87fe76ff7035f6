import { Text, View } from 'react-native';
import type { Problem } from '@core/session/reader';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { problemLine } from './problemLine';

/** What cannot be read in the shorthand: the line with the characters marked, and what was expected there. */
export function Problems({ text, problems }: { text: string; problems: readonly Problem[] }) {
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
            <Words quiet>
              {before}
              <Text
                style={{
                  backgroundColor: palette.warning,
                  color: palette.onAction,
                  textDecorationLine: 'underline',
                  fontWeight: '700',
                }}
              >
                {at || ' '}
              </Text>
              {after}
            </Words>
            <Words as="small" color={palette.late}>
              {`Line ${line}: ${problem.message}`}
            </Words>
          </View>
        );
      })}
    </View>
  );
}
