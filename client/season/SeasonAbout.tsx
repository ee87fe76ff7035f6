import { counted } from '@core/units/counted';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { shiftedBy } from '@core/season/changes';
import type { Group } from '@core/squad/athlete';
import type { LaidSeason } from '../data/useSeasons';
import { troubleText, usePutSeasonMutation } from '../store/api';
import { Chips } from '../ui/Chips';
import { useNotice } from '../ui/Notices';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Stepper } from '../ui/Stepper';
import { SPACE } from '../ui/theme';
import { TextField } from '../ui/TextField';
import { Text } from '../ui/Text';
import type { SeasonEdit } from '../data/useSeasonEdit';

/** A year of whole weeks, so that every day keeps its place in the week. */
const YEAR_DAYS = 364;
const MOST_NAME = 80;

/** `Milers 2027` from `Milers 2026`; else with a word that tells the two apart. */
function nameNextYear(name: string): string {
  const year = /\b(20\d\d)\b/.exec(name)?.[1];
  const next = year === undefined ? `${name}, next year` : name.replace(year, String(Number(year) + 1));
  return next.slice(0, MOST_NAME);
}

type Props = { laid: LaidSeason; groups: readonly Group[]; edit: SeasonEdit };

/** A season's name, for whom it is, how long its tapers are, and a copy of it for another year. */
export function SeasonAbout({ laid, groups, edit }: Props) {
  const { season } = laid;
  const [name, setName] = useState(season.name);
  const [put] = usePutSeasonMutation();
  const notice = useNotice();
  const trimmed = name.trim();
  const copy = async () => {
    const id = ulid();
    const next = { ...shiftedBy(season, YEAR_DAYS), name: nameNextYear(season.name) };
    const sent = await put({ id, version: 0, season: next });
    if (sent.error) return notice({ text: troubleText(sent.error) });
    router.push(`/season/${id}`);
    notice({ text: `${next.name}: the same weeks a year on. Nobody is entered for its races yet.` });
  };
  return (
    <View role="region" aria-label="About the season" style={{ gap: SPACE.m }}>
      <Text as="heading" level={2}>
        About the season
      </Text>
      <View style={{ flexDirection: 'row', alignItems: 'flex-end', gap: SPACE.s }}>
        <View style={{ flex: 1 }}>
          <TextField
            label="Name"
            value={name}
            onChange={(text) => setName(text.slice(0, MOST_NAME))}
            error={trimmed === '' ? 'A season needs a name.' : undefined}
          />
        </View>
        <PrimaryButton
          disabled={trimmed === '' || trimmed === season.name}
          onPress={() => void edit.apply({ kind: 'set', set: { name: trimmed } }, `It is called ${trimmed} now.`)}
        >
          Rename
        </PrimaryButton>
      </View>
      {groups.length > 0 && (
        <Chips
          label="For whom? Everyone, where nobody is chosen"
          options={groups.map(({ id, name: text }) => ({ value: id, text }))}
          chosen={season.groupIds ?? []}
          onChange={(ids) => void edit.apply({ kind: 'groups', groupIds: ids }, 'For whom it is has changed.')}
        />
      )}
      <Stepper
        label="Taper before an A race"
        value={season.taperDays}
        text={counted(season.taperDays, 'day')}
        step={1}
        min={0}
        max={21}
        onChange={(taperDays) => edit.change({ kind: 'set', set: { taperDays } }, 'The taper is changed.')}
      />
      <View style={{ flexDirection: 'row' }}>
        <PrimaryButton onPress={() => void copy()}>Copy it for next year</PrimaryButton>
      </View>
    </View>
  );
}
