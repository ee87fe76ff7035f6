import { View } from 'react-native';
import { PRESENCES } from '@core/run/events';
import { membersOf } from '@core/run/runState';
import { Choice } from '../../ui/Choice';
import { Press } from '../../ui/Press';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import type { Run } from '../../log/useRun';
import { joinedBy } from '@core/run/visitor';
import { TickRow } from '../../ui/TickRow';
import { timedHere } from '../board/steps';
import { AddVisitor } from './AddVisitor';
import { Sheet } from './Sheet';

type Props = { run: Run; close: () => void; open: (athleteId: string) => void };

/**
 * Who is here, late or away, then what is rarer: whom this phone times, and somebody more. A name leads to what else there is of them, also
 * while they run.
 */
export function PeopleSheet({ run, close, open }: Props) {
  const { state, plan, happen, device } = run;
  const mine = timedHere(state, device);
  const everyone = Object.values(state.athletes);
  return (
    <Sheet title="Who is here" close={close}>
      {state.groups.map((group) => (
        <View key={group.id} style={{ gap: SPACE.s }}>
          {state.groups.length > 1 && (
            <Text as="label" level={3}>
              {group.name}
            </Text>
          )}
          {membersOf(state, group.id).map(({ athleteId, name, presence, isVisitor }) => (
            <View key={athleteId} style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
              <Press
                role="button"
                aria-label={`More of ${name}`}
                onPress={() => open(athleteId)}
                style={{ flex: 1, minHeight: 44, justifyContent: 'center' }}
              >
                <Text as="strong" style={{ textDecorationLine: 'underline' }}>
                  {name}
                </Text>
                {isVisitor && <Text as="label">visitor</Text>}
              </Press>
              <Choice
                label={`${name} is`}
                isOneLine
                options={PRESENCES.map((value) => ({
                  value,
                  text: value === 'present' ? 'here' : value === 'absent' ? 'away' : value,
                }))}
                value={presence}
                onChange={(value) => happen({ type: 'came', athleteId, presence: value })}
              />
            </View>
          ))}
        </View>
      ))}
      {state.groups.length > 1 && (
        <View role="group" aria-label="This phone times" style={{ gap: SPACE.xs }}>
          <Text as="label">This phone times</Text>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l }}>
            {state.groups.map(({ id, name }) => (
              <TickRow
                key={id}
                label={name}
                checked={mine.has(id)}
                onChange={(on) =>
                  happen({
                    type: 'times',
                    groupIds: state.groups
                      .map((group) => group.id)
                      .filter((groupId) => (groupId === id ? on : mine.has(groupId))),
                  })
                }
              />
            ))}
          </View>
        </View>
      )}
      <AddVisitor
        groups={plan.groups}
        taken={everyone.map(({ tileName }) => tileName)}
        add={(visitor) => {
          const joined = joinedBy(plan, visitor);
          if (joined) happen(joined);
        }}
      />
    </Sheet>
  );
}
