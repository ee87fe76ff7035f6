import { useState } from 'react';
import { View } from 'react-native';
import type { LaidSeason } from '../data/useSeasons';
import { dayName, today } from '../ui/days';
import { ListPart } from '../ui/ListPart';
import { ListRow } from '../ui/ListRow';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import { DayMark } from './DayMark';
import { RaceForm } from './RaceForm';
import { untilText } from './seasonText';
import type { SeasonEdit } from '../data/useSeasonEdit';

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
