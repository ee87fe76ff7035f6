import { useState } from 'react';
import { View } from 'react-native';
import type { SquadMember } from '@core/squad/athlete';
import { STATUS_WORDS } from '../../data/athleteText';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { RollRow } from './RollRow';
import { Part } from './Part';
import type { RollCallState } from './useRollCall';

/** Everyone by group, with a tap for who is here, late or away; others can be ticked in. */
export function WhoIsHere({ roll, athletes }: { roll: RollCallState; athletes: readonly SquadMember[] }) {
  const { groups, visitors, removeVisitor, presenceBy, say, move } = roll;
  const [isMoving, setMoving] = useState(false);
  const groupOptions = groups.map(({ id, name }) => ({ value: id, text: name }));
  const row = (athlete: SquadMember, groupId: string | undefined) => (
    <RollRow
      key={athlete.id}
      name={athlete.name}
      detail={athlete.status === 'training' ? undefined : STATUS_WORDS[athlete.status]}
      presence={presenceBy(athlete.id)}
      onPresence={(presence) => say(athlete.id, presence)}
      {...(isMoving && groupId !== undefined
        ? {
            groups: {
              value: groupId,
              options: groupOptions,
              onChange: (to: string) => move(athlete.id, to),
            },
          }
        : {})}
    />
  );
  const grouped = new Set(groups.flatMap(({ athleteIds }) => athleteIds));
  const others = athletes.filter(({ id }) => !grouped.has(id));
  const byId = new Map(athletes.map((athlete) => [athlete.id, athlete]));
  const rows = (children: React.ReactNode) => (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>{children}</View>
  );
  return (
    <View role="group" aria-label="Who is here" style={{ gap: SPACE.m }}>
      <Part
        title="Who is here?"
        aside={
          groups.length > 1 && (
            <SmallButton expanded={isMoving} onPress={() => setMoving(!isMoving)}>
              {isMoving ? 'Done' : 'Change groups'}
            </SmallButton>
          )
        }
      >
        {groups.map(({ id, name, athleteIds }) => (
          <View key={id} role="group" aria-label={name} style={{ gap: SPACE.xs }}>
            {groups.length > 1 && (
              <Text as="label" quiet level={3}>
                {name}
              </Text>
            )}
            {rows(athleteIds.map((athleteId) => byId.get(athleteId)).map((athlete) => athlete && row(athlete, id)))}
            {visitors
              .filter(({ groupId }) => groupId === id)
              .map((visitor) => (
                <RollRow
                  key={visitor.athleteId}
                  name={visitor.name}
                  detail="visitor"
                  presence="present"
                  onPresence={() => removeVisitor(visitor.athleteId)}
                />
              ))}
          </View>
        ))}
        {others.length > 0 && (
          <View role="group" aria-label="Not expected" style={{ gap: SPACE.xs }}>
            <Text as="label" quiet level={3}>
              Not expected
            </Text>
            {rows(others.map((athlete) => row(athlete, undefined)))}
          </View>
        )}
      </Part>
    </View>
  );
}
