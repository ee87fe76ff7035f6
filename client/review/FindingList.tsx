import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Surface } from 'react-native-paper';
import { Why, type WhyLine } from '../parts/Why';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';

/** A sentence, the chain behind it if it has one, and the answers to it. */
export type Said = { text: string; why?: () => readonly WhyLine[]; answers?: ReactNode };

/** The few sentences that matter, in large type. @param props.said undefined while they are worked out. */
export function FindingList({ said }: { said: readonly Said[] | undefined }) {
  const palette = usePalette();
  return (
    <Surface
      elevation={1}
      style={{ borderRadius: RADIUS, padding: SPACE.m, borderLeftWidth: 5, borderLeftColor: palette.action }}
    >
      {!said && <Text quiet>Working out what matters …</Text>}
      {said && <Sentences said={said} />}
    </Surface>
  );
}

function Sentences({ said }: { said: readonly Said[] }) {
  return (
    <View role="list" aria-label="What matters" style={{ gap: SPACE.xs }}>
      {said.map(({ text, why, answers }) => (
        <View role="listitem" key={text} style={{ gap: SPACE.xs, ...(answers ? { marginBottom: SPACE.s } : {}) }}>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
            <Text as="strong" style={{ fontWeight: '500', flex: 1 }}>
              {text}
            </Text>
            {why && <Why what={text} lines={why} />}
          </View>
          {answers}
        </View>
      ))}
    </View>
  );
}
