import { FormProvider } from 'react-hook-form';
import { View } from 'react-native';
import { RACE_WEIGHTS, type SeasonRace } from '@core/season/season';
import { FormLines, FormText, FormWhen } from '../ui/form/Fields';
import { useReadForm } from '../ui/form/useReadForm';
import { FormFoot } from '../ui/FormFoot';
import { SideBySide } from '../ui/SideBySide';
import { SPACE } from '../ui/theme';
import { readRace, toRaceFields } from './seasonForms';
import { WEIGHT_WORDS } from './seasonText';

const WEIGHTS = RACE_WEIGHTS.map((value) => ({ value, text: WEIGHT_WORDS[value] }));

type Props = { race?: SeasonRace; save: (race: SeasonRace) => void; cancel: () => void };

/** A race: when and where it is, and how much it counts. */
export function RaceForm({ race, save, cancel }: Props) {
  const { form, submit } = useReadForm({ start: toRaceFields(race), read: (typed) => readRace(typed, race), save });
  return (
    <FormProvider {...form}>
      <View style={{ gap: SPACE.m }}>
        <FormText field="name" label="Race" />
        <SideBySide>
          <FormWhen field="date" type="date" label="Day" />
          <FormWhen field="startTime" type="time" label="First start" />
        </SideBySide>
        <FormText field="place" label="Where" placeholder="if you like" />
        <FormLines field="weight" label="How much it counts" options={WEIGHTS} />
        <FormFoot save="Save the race" onSave={submit} onCancel={cancel} />
      </View>
    </FormProvider>
  );
}
