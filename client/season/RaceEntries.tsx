import { useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import type { RaceEntry, SeasonRace } from '@core/season/season';
import type { SquadMember } from '@core/squad/athlete';
import { formatDistance, parseDistance } from '@core/units/distance';
import { formatMarkTime, parseTime } from '@core/units/time';
import type { LaidSeason } from '../data/useSeasons';
import { pacesOf, type SquadView } from '../data/useSquad';
import { useSquadChange } from '../data/useSquadChange';
import { today } from '../ui/days';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Select } from '../ui/Select';
import { SmallButton } from '../ui/SmallButton';
import { SPACE, usePalette } from '../ui/theme';
import { TextButton } from '../ui/TextButton';
import { TextField } from '../ui/TextField';
import { Text } from '../ui/Text';
import { RaceCard } from './RaceCard';
import { athletesIn } from './seasonChecks';

const markOf = ({ date }: SeasonRace, { distanceM }: RaceEntry, athlete: SquadMember | undefined) =>
  athlete?.marks.find((mark) => mark.date === date && mark.kind === 'race' && Math.abs(mark.distanceM - distanceM) < 1);

const sameEntry = (a: RaceEntry, b: RaceEntry) => a.athleteId === b.athleteId && a.distanceM === b.distanceM;

type RowProps = {
  race: SeasonRace;
  entry: RaceEntry;
  laid: LaidSeason;
  squad: SquadView;
  put: (entry: RaceEntry) => void;
  remove: () => void;
};

/** One who runs: goal, result once it is over, and all about it when pressed. */
function EntryRow({ race, entry, laid, squad, put, remove }: RowProps) {
  const palette = usePalette();
  const { change } = useSquadChange(squad);
  const [isOpen, setOpen] = useState(false);
  const [time, setTime] = useState('');
  const [error, setError] = useState<string>();
  const athlete = squad.athletes.find(({ id }) => id === entry.athleteId);
  const name = athlete?.name ?? 'Somebody who has left';
  const mark = markOf(race, entry, athlete);
  const isOver = race.date <= today();
  const { distanceM, goalS } = entry;
  const enter = async () => {
    if (!athlete) return;
    const read = parseTime(time, distanceM, goalS);
    if (!read.ok) return setError(read.message);
    const marks = [
      ...athlete.marks,
      {
        id: ulid(),
        date: race.date,
        kind: 'race' as const,
        distanceM,
        timeS: read.timeS,
        note: race.name.slice(0, 200),
      },
    ];
    const done = await change(
      { athletes: [{ ...athlete, marks }] },
      `${athlete.tileName} ran ${formatMarkTime(read.timeS)}: a mark from now on, and the paces follow.`,
    );
    setError(done.ok ? undefined : done.message);
    if (done.ok) setTime('');
  };
  return (
    <View style={{ gap: SPACE.s, paddingVertical: SPACE.s, borderBottomWidth: 1, borderBottomColor: palette.line }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
        <View style={{ flex: 1, minWidth: 0 }}>
          <Text as="strong">{name}</Text>
          <Text as="small" quiet>
            {[
              formatDistance(distanceM),
              ...(goalS === undefined ? [] : [`goal ${formatMarkTime(goalS)}`]),
              ...(mark ? [`ran ${formatMarkTime(mark.timeS)}`] : []),
            ].join(' · ')}
          </Text>
        </View>
        <SmallButton label={`${mark ? 'Read' : 'Card of'} ${name}`} expanded={isOpen} onPress={() => setOpen(!isOpen)}>
          {mark ? 'Read' : 'Card'}
        </SmallButton>
      </View>
      {isOver && !mark && athlete && (
        <View style={{ flexDirection: 'row', alignItems: 'flex-end', gap: SPACE.s }}>
          <View style={{ flex: 1 }}>
            <TextField
              label={`Time of ${athlete.tileName}`}
              value={time}
              onChange={setTime}
              error={error}
              onEnter={() => void enter()}
            />
          </View>
          <PrimaryButton disabled={time.trim() === ''} onPress={() => void enter()}>
            Keep
          </PrimaryButton>
        </View>
      )}
      {isOpen && (
        <>
          <RaceCard
            race={race}
            entry={entry}
            name={name}
            paces={athlete && pacesOf(athlete, squad, race.date < today() ? race.date : today())}
            rehearsed={laid.season.rehearsed}
            resultS={mark?.timeS}
            saveSplits={(splits) => put({ ...entry, splits })}
          />
          <View style={{ flexDirection: 'row' }}>
            <TextButton label={`Take ${name} out of the race`} onPress={remove}>
              Take out of the race
            </TextButton>
          </View>
        </>
      )}
    </View>
  );
}

function AddEntry({ athletes, add }: { athletes: readonly SquadMember[]; add: (entry: RaceEntry) => void }) {
  const [athleteId, setAthleteId] = useState('');
  const [distance, setDistance] = useState('');
  const [goal, setGoal] = useState('');
  const [errors, setErrors] = useState<{ who?: string; distance?: string; goal?: string }>({});
  const choose = (id: string) => {
    setAthleteId(id);
    const knownGoal = athletes.find((athlete) => athlete.id === id)?.goal;
    if (knownGoal && distance === '') setDistance(formatDistance(knownGoal.distanceM));
    if (knownGoal && goal === '') setGoal(formatMarkTime(knownGoal.timeS));
  };
  const submit = () => {
    const read = parseDistance(distance);
    const time = goal.trim() === '' || !read.ok ? undefined : parseTime(goal, read.distanceM);
    const found = {
      ...(athleteId === '' ? { who: 'Choose who runs.' } : {}),
      ...(read.ok ? {} : { distance: read.message }),
      ...(time && !time.ok ? { goal: time.message } : {}),
    };
    setErrors(found);
    if (Object.keys(found).length > 0 || !read.ok) return;
    add({ athleteId, distanceM: read.distanceM, ...(time?.ok ? { goalS: time.timeS } : {}) });
    setAthleteId('');
    setGoal('');
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <Select
        label="Who runs"
        value={athleteId}
        options={[{ value: '', text: 'Choose' }, ...athletes.map(({ id, name }) => ({ value: id, text: name }))]}
        onChange={choose}
        error={errors.who}
      />
      <View style={{ flexDirection: 'row', gap: SPACE.m }}>
        <View style={{ flex: 1 }}>
          <TextField
            label="Distance"
            value={distance}
            onChange={setDistance}
            error={errors.distance}
            placeholder="1500"
          />
        </View>
        <View style={{ flex: 1 }}>
          <TextField label="Goal" value={goal} onChange={setGoal} error={errors.goal} placeholder="4:20, or nothing" />
        </View>
      </View>
      <View style={{ flexDirection: 'row' }}>
        <PrimaryButton icon="plus" onPress={submit}>
          Enter them
        </PrimaryButton>
      </View>
    </View>
  );
}

type Props = {
  race: SeasonRace;
  laid: LaidSeason;
  squad: SquadView;
  /** Keeps the entries as they are then. */
  save: (entries: RaceEntry[], noticeText: string) => void;
};

/** Who runs what, each with a card before the race and the time after it; and one more. */
export function RaceEntries({ race, laid, squad, save }: Props) {
  const entries = race.entries ?? [];
  const nameOf = (id: string) => squad.athletes.find((athlete) => athlete.id === id)?.tileName ?? 'They';
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="heading" level={2}>
        Who runs
      </Text>
      {entries.length === 0 && <Text quiet>Nobody is entered yet.</Text>}
      {entries.map((entry) => (
        <EntryRow
          key={`${entry.athleteId} ${entry.distanceM}`}
          race={race}
          entry={entry}
          laid={laid}
          squad={squad}
          put={(next) =>
            save(
              entries.map((candidate) => (sameEntry(candidate, entry) ? next : candidate)),
              `The splits of ${nameOf(entry.athleteId)} are kept.`,
            )
          }
          remove={() =>
            save(
              entries.filter((candidate) => !sameEntry(candidate, entry)),
              `${nameOf(entry.athleteId)} is out of the race.`,
            )
          }
        />
      ))}
      <AddEntry
        athletes={athletesIn(laid, squad.athletes)}
        add={(entry) =>
          save(
            [...entries.filter((candidate) => !sameEntry(candidate, entry)), entry],
            `${nameOf(entry.athleteId)} is entered.`,
          )
        }
      />
    </View>
  );
}
