import { useState } from 'react';
import { View } from 'react-native';
import { FormFoot } from '../ui/FormFoot';
import { ulid } from 'ulid';
import { RACE_WEIGHTS, type SeasonRace } from '@core/season/season';
import { isDate } from '@core/units/dayNumber';
import type { LaidSeason } from '../data/useSeasons';
import { dayName, today } from '../ui/days';
import { ListPart } from '../ui/ListPart';
import { ListRow } from '../ui/ListRow';
import { PrimaryButton } from '../ui/PrimaryButton';
import { RadioRow } from '../ui/RadioRow';
import { SPACE } from '../ui/theme';
import { TextField } from '../ui/TextField';
import { WhenField } from '../ui/WhenField';
import { Text } from '../ui/Text';
import { SideBySide } from '../ui/SideBySide';
import { DayMark } from './DayMark';
import { untilText, WEIGHT_WORDS } from './seasonText';
import type { SeasonEdit } from '../data/useSeasonEdit';

type FormProps = { race?: SeasonRace; save: (race: SeasonRace) => void; cancel: () => void };

/** A race: when and where it is, and how much it counts. */
export function RaceForm({ race, save, cancel }: FormProps) {
  const [name, setName] = useState(race?.name ?? '');
  const [date, setDate] = useState(race?.date ?? '');
  const [weight, setWeight] = useState(race?.weight ?? 'B');
  const [place, setPlace] = useState(race?.place ?? '');
  const [startTime, setStartTime] = useState(race?.startTime ?? '');
  const [isTried, setTried] = useState(false);
  const submit = () => {
    setTried(true);
    if (name.trim() === '' || !isDate(date)) return;
    const { place: _place, startTime: _start, ...rest } = race ?? { id: ulid() };
    save({
      ...rest,
      name: name.trim(),
      date,
      weight,
      ...(place.trim() === '' ? {} : { place: place.trim() }),
      ...(startTime === '' ? {} : { startTime }),
    });
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <TextField
        label="Race"
        value={name}
        onChange={setName}
        error={isTried && name.trim() === '' ? 'A race needs a name.' : undefined}
      />
      <SideBySide>
        <WhenField
          type="date"
          label="Day"
          value={date}
          onChange={setDate}
          error={isTried && !isDate(date) ? 'A day is needed.' : undefined}
        />
        <WhenField type="time" label="First start" value={startTime} onChange={setStartTime} />
      </SideBySide>
      <TextField label="Where" value={place} onChange={setPlace} placeholder="if you like" />
      <View role="radiogroup" aria-label="How much it counts">
        {RACE_WEIGHTS.map((value) => (
          <RadioRow
            key={value}
            label={WEIGHT_WORDS[value]}
            chosen={weight === value}
            onChoose={() => setWeight(value)}
          />
        ))}
      </View>
      <FormFoot save="Save the race" onSave={submit} onCancel={cancel} />
    </View>
  );
}

/** The races of a season, and one more. */
export function SeasonRaces({ laid, edit }: { laid: LaidSeason; edit: SeasonEdit }) {
  const [isAdding, setAdding] = useState(false);
  const races = [...laid.season.races].sort((a, b) => (a.date < b.date ? -1 : 1));
  return (
    <View role="region" aria-label="Races" style={{ gap: SPACE.s }}>
      {races.length === 0 && (
        <Text as="heading" level={2}>
          Races
        </Text>
      )}
      <ListPart
        title="Races"
        rows={races.map((race) => (
          <ListRow
            key={race.id}
            href={`/season/race/${laid.id}/${race.id}`}
            title={race.name}
            detail={[`${race.weight} race`, dayName(race.date), untilText(race.date, today()), race.place]
              .filter((part) => part !== undefined)
              .join(' · ')}
            aside={<DayMark kind="race" />}
          />
        ))}
      />
      {races.length === 0 && !isAdding && <Text quiet>No race yet. With one the season is laid back from it.</Text>}
      {isAdding ? (
        <RaceForm
          save={(race) => {
            setAdding(false);
            edit.change({ kind: 'putRace', race }, `${race.name} is in the season.`);
          }}
          cancel={() => setAdding(false)}
        />
      ) : (
        <View style={{ flexDirection: 'row' }}>
          <PrimaryButton icon="flag" onPress={() => setAdding(true)}>
            Add a race
          </PrimaryButton>
        </View>
      )}
    </View>
  );
}
