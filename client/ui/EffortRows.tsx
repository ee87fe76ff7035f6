import { useState } from 'react';
import { View } from 'react-native';
import { SPACE, usePalette } from './theme';
import { StepButton } from './Stepper';
import { Text } from './Text';

export type EffortRow = { athleteId: string; name: string; sessionEffort?: number; lastEffort?: number };

/** Where an athlete has said nothing yet, the first press starts from here. */
const USUAL = 7;

type Props = { rows: readonly EffortRow[]; onChange: (athleteId: string, effort: number) => void };

/** How hard the whole session was, athlete by athlete: from the last rep's effort up or down. */
export function EffortRows({ rows, onChange }: Props) {
  const palette = usePalette();
  // Two presses in a row count from each other, before the first is in the log.
  const [given, setGiven] = useState<Readonly<Record<string, number>>>({});
  return (
    <View role="list" aria-label="Effort of the whole session">
      {rows.map(({ athleteId, name, sessionEffort: told, lastEffort }) => {
        const sessionEffort = given[athleteId] ?? told;
        const from = sessionEffort ?? lastEffort ?? USUAL;
        // The first press says that it was as hard as the last rep.
        const to = (stepped: number) => {
          const effort = sessionEffort === undefined ? from : stepped;
          setGiven((before) => ({ ...before, [athleteId]: effort }));
          onChange(athleteId, effort);
        };
        return (
          <View
            key={athleteId}
            role="listitem"
            style={{
              flexDirection: 'row',
              alignItems: 'center',
              gap: SPACE.s,
              paddingVertical: SPACE.xs,
              borderBottomWidth: 1,
              borderBottomColor: palette.line,
            }}
          >
            <View style={{ flex: 1 }}>
              <Text as="strong">{name}</Text>
              {lastEffort !== undefined && <Text as="label" quiet>{`last rep ${lastEffort}`}</Text>}
            </View>
            <StepButton
              sign="−"
              label={`${name}: easier`}
              disabled={sessionEffort !== undefined && sessionEffort <= 1}
              onPress={() => to(from - 1)}
            />
            <Text
              as="heading"
              live="polite"
              quiet={sessionEffort === undefined}
              style={{ minWidth: 32, textAlign: 'center' }}
            >
              {sessionEffort === undefined ? '–' : String(sessionEffort)}
            </Text>
            <StepButton
              sign="+"
              label={`${name}: harder`}
              disabled={sessionEffort !== undefined && sessionEffort >= 10}
              onPress={() => to(from + 1)}
            />
          </View>
        );
      })}
    </View>
  );
}
