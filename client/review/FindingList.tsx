import { View } from 'react-native';
import { Surface } from 'react-native-paper';
import type { Findings } from '@core/review/findings';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Words } from '../ui/Words';
import { findingTexts } from './reviewWords';

/** What matters, first and large: at most three sentences, and what the efforts say. */
export function FindingList({ findings, effort }: { findings: Findings; effort: string | undefined }) {
  const palette = usePalette();
  return (
    <Surface
      elevation={1}
      style={{ borderRadius: RADIUS, padding: SPACE.m, borderLeftWidth: 5, borderLeftColor: palette.action }}
    >
      <View role="list" aria-label="What matters" style={{ gap: SPACE.xs }}>
        {[...findingTexts(findings), ...(effort === undefined ? [] : [effort])].map((text) => (
          <View role="listitem" key={text}>
            <Words as="strong" style={{ fontWeight: '500' }}>
              {text}
            </Words>
          </View>
        ))}
      </View>
    </Surface>
  );
}
