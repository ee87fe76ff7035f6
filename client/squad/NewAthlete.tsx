import { router } from 'expo-router';
import { useState } from 'react';
import { FormProvider, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { ulid } from 'ulid';
import type { AthleteInput } from '@core/api/schemas';
import { suggestTileName, tileKey } from '@core/squad/tileName';
import { troubleText } from '../store/api';
import { today } from '../ui/days';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { FormText } from '../ui/form/Fields';
import { useReadForm } from '../ui/form/useReadForm';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';
import { emptyMark, isBlank, readWholeMark, type MarkFields } from './athleteForm';
import { MarkEditor } from './MarkEditor';
import { everyoneIn, type SquadView } from '../data/useSquad';
import { useSquadChange } from '../data/useSquadChange';

type Fields = MarkFields & { name: string; tileName: string };

const backToList = () => router.replace('/squad');

/** Someone new: a name and, as a rule, one mark; all else can follow on their page. */
export function NewAthlete({ squad }: { squad: SquadView }) {
  const [id] = useState(ulid);
  const { change, saving } = useSquadChange(squad);
  const everyone = everyoneIn(squad);
  const taken = new Set(everyone.map(({ tileName }) => tileKey(tileName)));
  const suggestedFor = (name: string) => (name.trim() === '' ? '' : suggestTileName(name, taken));
  const { form, submit, trouble } = useReadForm<Fields, AthleteInput>({
    start: { ...emptyMark(today()), name: '', tileName: '' },
    read: async ({ name, tileName, ...typed }) => {
      // The checks come from the server, once; without it nothing could be saved anyway.
      const checks = await import('../data/checks').catch(() => undefined);
      if (!checks) return { ok: false, problems: { form: troubleText(undefined) } };
      const mark = isBlank(typed) ? undefined : readWholeMark(typed, today());
      const read = checks.checkAthlete({
        name,
        tileName: tileName.trim() === '' ? suggestedFor(name) : tileName,
        marks: mark?.ok ? [mark.value] : [],
      });
      if (read.ok && mark?.ok !== false) return read;
      return {
        ok: false,
        problems: { ...(read.ok ? {} : read.problems), ...(mark?.ok === false ? mark.problems : {}) },
      };
    },
    save: async (athlete) => {
      const done = await change({ athletes: [{ id, ...athlete }] }, `${athlete.name} is in the squad.`);
      if (done.ok) return backToList();
      return { [done.field === 'tileName' ? 'tileName' : 'form']: done.message };
    },
  });
  const name = useWatch({ control: form.control, name: 'name' });
  const suggested = suggestedFor(name);
  const isThere = name.trim() !== '' && everyone.some((other) => tileKey(other.name) === tileKey(name));

  return (
    <Page
      title="New athlete"
      onBack={backToList}
      backLabel="Back to the squad"
      footer={
        <>
          {trouble !== undefined && <Trouble>{trouble}</Trouble>}
          <PrimaryButton main icon="check" disabled={saving} onPress={submit}>
            Save athlete
          </PrimaryButton>
        </>
      }
    >
      <FormProvider {...form}>
        <View style={{ maxWidth: 560, gap: SPACE.l }}>
          <FormText
            field="name"
            label="Name"
            hint={isThere ? `There is a ${name.trim()} in the squad already.` : undefined}
            autoFocus
          />
          <FormText field="tileName" label="Name on the tile" placeholder={suggested || 'short, for the track'} />
          <View style={{ gap: SPACE.s }}>
            <Text as="heading" level={2}>
              First mark
            </Text>
            <Text as="small" quiet>
              One race or trial is enough for paces. Without any they train by effort.
            </Text>
          </View>
          <MarkEditor />
        </View>
      </FormProvider>
    </Page>
  );
}
