import { useState } from 'react';
import { View } from 'react-native';
import { isStanding, type CareEntry } from '@core/judgement/care';
import type { SquadMember } from '@core/squad/athlete';
import { STATUS_WORDS } from '../../data/athleteText';
import { CareAnswers, careLine } from '../../parts/CareAnswers';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { useWide } from '../../ui/useWide';
import { Text } from '../../ui/Text';
import { RollRow } from './RollRow';
import { Part } from './Part';
import type { RollCallState } from './useRollCall';

/** Their status, and what stands of them: `easing back`, `under 14`. */
function detailOf({ status }: SquadMember, entries: readonly CareEntry[]): string | undefined {
  const standing = entries.filter(isStanding);
  // Easing back stands below, with its answers.
  const isBelow = entries.some(({ reason }) => reason === 'easing');
  const parts = [
    ...(status === 'training' || isBelow ? [] : [STATUS_WORDS[status]]),
    ...(standing.length > 0 ? [careLine(standing)] : []),
  ];
  return parts.length > 0 ? parts.join(', ') : undefined;
}

/** Everyone by group, with a tap for who is here, late or away; others can be ticked in. */
export function WhoIsHere({ roll, athletes }: { roll: RollCallState; athletes: readonly SquadMember[] }) {
  const { groups, visitors, removeVisitor, presenceBy, say, move } = roll;
  const [isMoving, setMoving] = useState(false);
  const wide = useWide();
  const groupOptions = groups.map(({ id, name }) => ({ value: id, text: name }));
  const row = (athlete: SquadMember, groupId: string | undefined) => {
    const entries = roll.careOf(athlete.id);
    // A standing condition is only marked; anything new asks for an answer.
    const asks = entries.some((entry) => !isStanding(entry));
    return (
      <View key={athlete.id} style={{ width: wide ? 272 : '100%', gap: SPACE.xs }}>
        {rollRow(athlete, groupId, entries)}
        {asks && (
          <View style={{ paddingLeft: SPACE.s, paddingBottom: SPACE.xs }}>
            <CareAnswers
              name={athlete.name}
              withoutName
              entries={entries.filter((entry) => !isStanding(entry))}
              choice={roll.choiceOf(athlete.id)}
              choose={(choice) => roll.chooseCare(athlete.id, choice)}
            />
          </View>
        )}
      </View>
    );
  };
  const rollRow = (athlete: SquadMember, groupId: string | undefined, entries: readonly CareEntry[]) => (
    <RollRow
      name={athlete.name}
      detail={detailOf(athlete, entries)}
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
