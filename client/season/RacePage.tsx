import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { USUAL_FOCUS, warmUpFor } from '@core/season/raceDay';
import type { RaceEntry, SeasonPlan, SeasonRace } from '@core/season/season';
import type { SquadMember } from '@core/squad/athlete';
import { formatDistance, parseDistance } from '@core/units/distance';
import { formatMarkTime, parseTime } from '@core/units/time';
import type { LaidSeason } from '../data/useSeasons';
import { pacesOf, useSquad, type SquadView } from '../squad/useSquad';
import { useSquadChange } from '../squad/useSquadChange';
import { troubleText } from '../store/api';
import { dayName, today } from '../ui/days';
import { Empty } from '../ui/Empty';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Select } from '../ui/Select';
import { SmallButton } from '../ui/SmallButton';
import { SPACE, usePalette } from '../ui/theme';
import { TextButton } from '../ui/TextButton';
import { TextField } from '../ui/TextField';
import { Trouble } from '../ui/Trouble';
import { Words } from '../ui/Words';
import { ChangeAsked } from './ChangeAsked';
import { RaceCard } from './RaceCard';
import { RaceForm } from './SeasonRaces';
import { untilText } from './seasonWords';
import { athletesIn } from './useChecks';
import { useSeasonData } from './useSeasonData';
import { useSeasonEdit } from '../data/useSeasonEdit';

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
          <Words as="strong">{name}</Words>
          <Words as="small" quiet>
            {[
              formatDistance(distanceM),
              ...(goalS === undefined ? [] : [`goal ${formatMarkTime(goalS)}`]),
              ...(mark ? [`ran ${formatMarkTime(mark.timeS)}`] : []),
            ].join(' · ')}
          </Words>
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
    const known = athletes.find((athlete) => athlete.id === id)?.goal;
    if (known && distance === '') setDistance(formatDistance(known.distanceM));
    if (known && goal === '') setGoal(formatMarkTime(known.timeS));
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

function Focus({ race, put }: { race: SeasonRace; put: (race: SeasonRace) => void }) {
  const [texts, setTexts] = useState(race.focus ?? USUAL_FOCUS);
  const isChanged = texts.some((text, i) => text !== (race.focus ?? USUAL_FOCUS)[i]);
  return (
    <View style={{ gap: SPACE.s }}>
      <Words as="heading" level={2}>
        What to think of
      </Words>
      {(['First third', 'Second third', 'Last third'] as const).map((label, i) => (
        <TextField
          key={label}
          label={label}
          value={texts[i] ?? ''}
          onChange={(text) =>
            setTexts(texts.map((one, j) => (j === i ? text.slice(0, 160) : one)) as [string, string, string])
          }
        />
      ))}
      {isChanged && (
        <View style={{ flexDirection: 'row' }}>
          <PrimaryButton onPress={() => put({ ...race, focus: texts })}>Put it on the cards</PrimaryButton>
        </View>
      )}
    </View>
  );
}

const GEAR = [
  ['shoes', 'Shoes'],
  ['drink', 'Drink'],
  ['gel', 'Gel'],
] as const;

/** What was tried out in a rehearsal: it stands on every card. */
function Rehearsed({
  laid,
  save,
}: {
  laid: LaidSeason;
  save: (rehearsed: NonNullable<SeasonPlan['rehearsed']>) => void;
}) {
  const { rehearsed = {} } = laid.season;
  const [texts, setTexts] = useState({ shoes: '', drink: '', gel: '', ...rehearsed });
  const isChanged = GEAR.some(([key]) => texts[key].trim() !== (rehearsed[key] ?? ''));
  return (
    <View style={{ gap: SPACE.s }}>
      <Words as="heading" level={2}>
        As rehearsed
      </Words>
      {GEAR.map(([key, label]) => (
        <TextField
          key={key}
          label={label}
          value={texts[key]}
          onChange={(text) => setTexts({ ...texts, [key]: text.slice(0, 120) })}
          placeholder="nothing new on race day"
        />
      ))}
      {isChanged && (
        <View style={{ flexDirection: 'row' }}>
          <PrimaryButton
            onPress={() =>
              save(Object.fromEntries(GEAR.flatMap(([key]) => (texts[key].trim() ? [[key, texts[key].trim()]] : []))))
            }
          >
            Carry it to the cards
          </PrimaryButton>
        </View>
      )}
    </View>
  );
}

function Race({ race, laid, squad }: { race: SeasonRace; laid: LaidSeason; squad: SquadView }) {
  const edit = useSeasonEdit(laid);
  const [isChanging, setChanging] = useState(false);
  const { season } = laid;
  const entries = race.entries ?? [];
  const put = (next: SeasonRace, says: string) => void edit.apply({ kind: 'putRace', race: next }, says);
  const withEntries = (next: RaceEntry[], says: string) => put({ ...race, entries: next }, says);
  const isSecond = season.races.some(
    (other) => other.id !== race.id && other.date === race.date && (other.startTime ?? '') < (race.startTime ?? ''),
  );
  const nameOf = (id: string) => squad.athletes.find((athlete) => athlete.id === id)?.tileName ?? 'They';
  return (
    <Page
      title={race.name}
      about={[`${race.weight} race`, dayName(race.date), untilText(race.date, today()), race.startTime, race.place]
        .filter((part) => part !== undefined)
        .join(' · ')}
      onBack={() => router.replace(`/season/${laid.id}`)}
      backLabel="Back to the season"
    >
      {edit.proposed && <ChangeAsked proposed={edit.proposed} season={season} take={edit.take} leave={edit.leave} />}
      {isChanging ? (
        <RaceForm
          race={race}
          save={(next) => {
            setChanging(false);
            edit.change({ kind: 'putRace', race: next }, `${next.name} is changed.`);
          }}
          cancel={() => setChanging(false)}
        />
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <PrimaryButton icon="flag" onPress={() => setChanging(true)}>
            Move or change it
          </PrimaryButton>
          <PrimaryButton
            icon="remove"
            onPress={() =>
              void edit.apply({ kind: 'removeRace', raceId: race.id }, `${race.name} is taken out.`).then((isDone) => {
                if (isDone) router.replace(`/season/${laid.id}`);
              })
            }
          >
            Take it out
          </PrimaryButton>
        </View>
      )}
      {race.startTime !== undefined && (
        <View style={{ gap: SPACE.xs }}>
          <Words as="heading" level={2}>
            {isSecond ? 'Second warm-up' : 'Warm-up'}
          </Words>
          {warmUpFor(race.startTime, isSecond).map(({ at, what }) => (
            <View key={at} style={{ flexDirection: 'row', gap: SPACE.m }}>
              <Words as="strong" style={{ width: 56 }}>
                {at}
              </Words>
              <Words style={{ flex: 1 }}>{what}</Words>
            </View>
          ))}
          <View style={{ flexDirection: 'row', gap: SPACE.m }}>
            <Words as="strong" style={{ width: 56 }}>
              {race.startTime}
            </Words>
            <Words as="strong">the gun</Words>
          </View>
        </View>
      )}
      <View style={{ gap: SPACE.s }}>
        <Words as="heading" level={2}>
          Who runs
        </Words>
        {entries.length === 0 && <Words quiet>Nobody is entered yet.</Words>}
        {entries.map((entry) => (
          <EntryRow
            key={`${entry.athleteId} ${entry.distanceM}`}
            race={race}
            entry={entry}
            laid={laid}
            squad={squad}
            put={(next) =>
              withEntries(
                entries.map((one) => (sameEntry(one, entry) ? next : one)),
                `The splits of ${nameOf(entry.athleteId)} are kept.`,
              )
            }
            remove={() =>
              withEntries(
                entries.filter((one) => !sameEntry(one, entry)),
                `${nameOf(entry.athleteId)} is out of the race.`,
              )
            }
          />
        ))}
        <AddEntry
          athletes={athletesIn(laid, squad.athletes)}
          add={(entry) =>
            withEntries(
              [...entries.filter((one) => !sameEntry(one, entry)), entry],
              `${nameOf(entry.athleteId)} is entered.`,
            )
          }
        />
      </View>
      <Focus race={race} put={(next) => put(next, 'It is on the cards.')} />
      <Rehearsed
        laid={laid}
        save={(rehearsed) => void edit.apply({ kind: 'set', set: { rehearsed } }, 'It is on the cards.')}
      />
    </Page>
  );
}

/** A race: who runs what, the cards, the warm-up, and afterwards the times. */
export function RacePage({ seasonId, raceId }: { seasonId: string; raceId: string }) {
  const { data, error, retry } = useSeasonData();
  const { squad } = useSquad();
  const laid = data?.seasons.find(({ id }) => id === seasonId);
  const race = laid?.season.races.find(({ id }) => id === raceId);
  if (laid && race && squad) return <Race race={race} laid={laid} squad={squad} />;
  const back = () => router.replace('/season');
  return (
    <Page title="Race" onBack={back} backLabel="Back to the season">
      {!data || !squad ? (
        error ? (
          <Trouble retry={retry}>{troubleText(error)}</Trouble>
        ) : (
          <Loading />
        )
      ) : (
        <Empty title="No such race" action={{ label: 'Go to the season', onPress: back }}>
          There is no race at this address. It may have been taken out.
        </Empty>
      )}
    </Page>
  );
}
