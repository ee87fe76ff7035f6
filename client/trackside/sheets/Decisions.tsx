import { useState } from 'react';
import { View } from 'react-native';
import type { TrackDecision } from '@core/run/events';
import { optionsFor } from '@core/trackside/options';
import { groupOf, membersOf, type AthleteState } from '@core/run/runState';
import { dueStarts, startOf } from '@core/run/starts';
import { capitalised } from '@core/units/capitalised';
import { Choice } from '../../ui/Choice';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import type { Run } from '../../log/useRun';
import { optionText } from '../proposalText';

type Scope = 'one' | 'group';

/** What the coach can do unasked, for one athlete or for the whole group. */
export function Decisions({ run, athlete }: { run: Run; athlete: AthleteState }) {
  const [scope, setScope] = useState<Scope>('one');
  const { state, happen } = run;
  const group = groupOf(state, athlete.groupId);
  const members = membersOf(state, athlete.groupId).filter(({ stoppedAtMs }) => stoppedAtMs === undefined);
  const athleteIds = scope === 'one' ? [athlete.athleteId] : members.map(({ athleteId }) => athleteId);
  const repIndex = athlete.runs.at(-1)?.repIndex ?? -1;
  const decide = (decision: TrackDecision) => happen({ type: 'decided', athleteIds, decision, repIndex });
  const last = athlete.runs.at(-1);
  const due = dueStarts(state).find((due) => due.athleteIds.includes(athlete.athleteId));
  const options = Object.values(optionsFor(state, athlete));
  return (
    <View style={{ gap: SPACE.s }}>
      {group && members.length > 1 && (
        <Choice
          label="For whom"
          options={[
            { value: 'one', text: athlete.tileName },
            { value: 'group', text: `all of ${group.name}` },
          ]}
          value={scope}
          onChange={setScope}
        />
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {last?.finishedAtMs !== undefined && due && (
          <>
            <SmallButton
              onPress={() => happen({ type: 'held', athleteIds, repIndex: last.repIndex, addS: 15 })}
              label="15 seconds more recovery, this once"
            >
              +15 s now
            </SmallButton>
            <SmallButton
              onPress={() =>
                happen(
                  startOf(run.plan, { ...due, athleteIds: athleteIds.filter((id) => due.athleteIds.includes(id)) }),
                )
              }
            >
              Send now
            </SmallButton>
          </>
        )}
        {athlete.stoppedAtMs === undefined &&
          options.map((option) => (
            <SmallButton key={option.decision.kind} onPress={() => decide(option.decision)}>
              {capitalised(optionText(option))}
            </SmallButton>
          ))}
        {athlete.stoppedAtMs === undefined && last?.target.targetS !== undefined && (
          <SmallButton onPress={() => decide({ kind: 'ease', percent: -1 })}>1 % faster</SmallButton>
        )}
      </View>
    </View>
  );
}
