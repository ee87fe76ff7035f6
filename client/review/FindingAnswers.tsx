import { useState } from 'react';
import { View } from 'react-native';
import type { Finding, Person } from '@core/judgement/findings';
import { daysAfter } from '@core/units/dayNumber';
import { formatTime } from '@core/units/time';
import { useNewSession } from '../data/useNewSession';
import { memberOf, type SquadView } from '../data/useSquad';
import { useSquadChange } from '../data/useSquadChange';
import { today } from '../ui/days';
import { SmallButton } from '../ui/SmallButton';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import type { ReadRun } from './useReview';
import { WhyStopped } from '../parts/WhyStopped';

const FIVE_K_M = 5000;
/** The most telling trial for its length, with a week to be fresh for it. */
const TRIAL = { title: '3000 trial', shorthand: '3000 @max', intent: 'test' as const };
const UNTIL_TRIAL_DAYS = 7;

type Props = { read: ReadRun; squad: SquadView; finding: Finding };

const ROW = { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s } as const;

/** Far quicker than the marks: the level in one tap for each, or a trial. */
function SetLevels({ read, squad, people }: Omit<Props, 'finding'> & { people: readonly Person[] }) {
  const { change } = useSquadChange(squad);
  const begin = useNewSession();
  const [trouble, setTrouble] = useState<string>();
  const set = async ({ athleteId, name, value }: Person) => {
    const athlete = memberOf(squad, athleteId);
    if (!athlete) return;
    const timeS = Math.round(value / 5) * 5;
    const nudge = { distanceM: FIVE_K_M, timeS, date: read.plan.date };
    const done = await change(
      { athletes: [{ ...athlete, nudge }] },
      `${name}: the level is ${formatTime(timeS, 0)} over 5k now.`,
    );
    setTrouble(done.ok ? undefined : done.message);
  };
  const open = people.filter(({ athleteId }) => memberOf(squad, athleteId)?.nudge?.date !== read.plan.date);
  return (
    <View style={ROW}>
      {open.map((person) => (
        <SmallButton
          key={person.athleteId}
          label={`Set the level of ${person.name} to ${formatTime(Math.round(person.value / 5) * 5, 0)} over 5k`}
          onPress={() => void set(person)}
        >
          {`${person.name}: set ${formatTime(Math.round(person.value / 5) * 5, 0)}`}
        </SmallButton>
      ))}
      <SmallButton
        label="Plan a trial over 3000"
        onPress={() => void begin(daysAfter(today(), UNTIL_TRIAL_DAYS), TRIAL)}
      >
        Plan a trial
      </SmallButton>
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
    </View>
  );
}

/** Ends pain, a niggle or an illness on the athlete's word. */
export function ToldWell({ squad, people }: Pick<Props, 'squad'> & { people: readonly Person[] }) {
  const { change } = useSquadChange(squad);
  const [trouble, setTrouble] = useState<string>();
  const unwell = people.flatMap(({ athleteId }) => memberOf(squad, athleteId) ?? []);
  const tell = async (athlete: (typeof unwell)[number]) => {
    const done = await change({ athletes: [{ ...athlete, wellOn: today() }] }, `${athlete.name} is well again.`);
    setTrouble(done.ok ? undefined : done.message);
  };
  return (
    <View style={ROW}>
      {unwell
        .filter(({ wellOn }) => wellOn === undefined || wellOn < today())
        .map((athlete) => (
          <SmallButton key={athlete.id} label={`${athlete.name} says it is gone`} onPress={() => void tell(athlete)}>
            {people.length > 1 ? `${athlete.name}: it is gone` : 'It is gone'}
          </SmallButton>
        ))}
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
    </View>
  );
}

/** Answers to a finding, offered under it. */
export function FindingAnswers({ read, squad, finding }: Props) {
  const { kind, people } = finding;
  switch (kind) {
    case 'stopped':
      return (
        <WhyStopped
          people={people}
          say={(athleteId, reason) => read.correct({ type: 'stopReason', athleteId, reason })}
        />
      );
    case 'far-quicker':
      return <SetLevels read={read} squad={squad} people={people} />;
    case 'pain':
    case 'unwell':
    case 'niggle':
      return <ToldWell squad={squad} people={people} />;
    default:
      return null;
  }
}
