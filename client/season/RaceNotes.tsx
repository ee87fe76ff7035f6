import { useState } from 'react';
import { View } from 'react-native';
import { USUAL_FOCUS } from '@core/season/raceDay';
import type { SeasonPlan, SeasonRace } from '@core/season/season';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SPACE } from '../ui/theme';
import { TextField } from '../ui/TextField';
import { Text } from '../ui/Text';

/** What to think of in each third: on every card. */
export function Focus({ race, put }: { race: SeasonRace; put: (race: SeasonRace) => void }) {
  const [texts, setTexts] = useState(race.focus ?? USUAL_FOCUS);
  const isChanged = texts.some((text, i) => text !== (race.focus ?? USUAL_FOCUS)[i]);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="heading" level={2}>
        What to think of
      </Text>
      {(['First third', 'Second third', 'Last third'] as const).map((label, i) => (
        <TextField
          key={label}
          label={label}
          value={texts[i] ?? ''}
          onChange={(text) =>
            setTexts(texts.map((before, j) => (j === i ? text.slice(0, 160) : before)) as [string, string, string])
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
export function Rehearsed({
  season,
  save,
}: {
  season: SeasonPlan;
  save: (rehearsed: NonNullable<SeasonPlan['rehearsed']>) => void;
}) {
  const { rehearsed = {} } = season;
  const [texts, setTexts] = useState({ shoes: '', drink: '', gel: '', ...rehearsed });
  const isChanged = GEAR.some(([key]) => texts[key].trim() !== (rehearsed[key] ?? ''));
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="heading" level={2}>
        As rehearsed
      </Text>
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
