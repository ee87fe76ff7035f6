import { useState } from 'react';
import { View } from 'react-native';
import { takesPart, takingDecision } from '@core/planning/dayPlan';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { TickRow } from '../../ui/TickRow';
import { Text } from '../../ui/Text';
import { STATUS_WORDS } from '../../data/athleteText';
import type { Planning } from '../../data/usePlanning';

/** Who runs the session: those in training unless the coach says otherwise. */
export function TakingPart({ planning }: { planning: Planning }) {
  const { athletes, running, plan, decide } = planning;
  const [isOpen, setOpen] = useState(false);
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.m }}>
        <Text as="strong">{`${running.length} of ${athletes.length} take part`}</Text>
        <SmallButton expanded={isOpen} label="Choose who takes part" onPress={() => setOpen(!isOpen)}>
          {isOpen ? 'Done' : 'Choose'}
        </SmallButton>
      </View>
      {running.length === 0 && (
        <Text as="small">Nobody takes part: there is nothing to plan until somebody is ticked.</Text>
      )}
      {isOpen && (
        <View
          role="group"
          aria-label="Who takes part"
          style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.xl }}
        >
          {athletes.map((athlete) => (
            <View key={athlete.id} style={{ minWidth: 220 }}>
              <TickRow
                label={`${athlete.name}${athlete.status === 'training' ? '' : `, ${STATUS_WORDS[athlete.status]}`}`}
                checked={takesPart(plan, athlete)}
                onChange={(isTaking) => decide(takingDecision(plan, athlete.id, isTaking))}
              />
            </View>
          ))}
        </View>
      )}
    </View>
  );
}
