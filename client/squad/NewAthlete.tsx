import { router } from 'expo-router';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { suggestTileName, tileKey } from '@core/squad/tileName';
import { troubleText } from '../store/api';
import { today } from '../ui/days';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { TextField } from '../ui/TextField';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';
import { emptyMark, isBlank, markIn, markProblems, type MarkFields, type MarkProblems } from './athleteForm';
import { MarkEditor } from './MarkEditor';
import { everyoneIn, type SquadView } from '../data/useSquad';
import { useSquadChange } from '../data/useSquadChange';

type Fields = { name: string; tileName: string; mark: MarkFields };

const backToList = () => router.replace('/squad');

/** Someone new: a name and, as a rule, one mark; all else can follow on their page. */
export function NewAthlete({ squad }: { squad: SquadView }) {
  const [id] = useState(ulid);
  const { change, saving } = useSquadChange(squad);
  const [problems, setProblems] = useState<MarkProblems>({});
  const { control, handleSubmit, setError, formState } = useForm<Fields>({
    defaultValues: { name: '', tileName: '', mark: emptyMark(today()) },
  });
  const everyone = everyoneIn(squad);
  const name = useWatch({ control, name: 'name' });
  const taken = new Set(everyone.map(({ tileName }) => tileKey(tileName)));
  const suggested = name.trim() === '' ? '' : suggestTileName(name, taken);
  const isThere = name.trim() !== '' && everyone.some((other) => tileKey(other.name) === tileKey(name));

  const submit = handleSubmit(async (typed) => {
    const isMarked = !isBlank(typed.mark);
    const wrong = isMarked ? markProblems(typed.mark, today()) : {};
    setProblems(wrong);
    // The checks come from the server, once; without it nothing could be saved anyway.
    const checks = await import('../data/checks').catch(() => undefined);
    if (!checks) return setError('root', { message: troubleText(undefined) });
    const mark = isMarked ? markIn(typed.mark) : undefined;
    const tileName = typed.tileName.trim() === '' ? suggested : typed.tileName;
    const read = checks.checkAthlete({ name: typed.name, tileName, marks: mark ? [mark] : [] });
    if (!read.ok) for (const { field, message } of read.problems) setError(field as 'name', { message });
    if (!read.ok || Object.keys(wrong).length > 0)
      return setError('root', { message: 'Not saved yet: a field above cannot be read. Your typing is kept.' });
    const done = await change({ athletes: [{ id, ...read.athlete }] }, `${read.athlete.name} is in the squad.`);
    if (done.ok) return backToList();
    return setError(done.field === 'tileName' ? 'tileName' : 'root', { message: done.message });
  });

  return (
    <Page
      title="New athlete"
      onBack={backToList}
      backLabel="Back to the squad"
      footer={
        <>
          {formState.errors.root?.message !== undefined && <Trouble>{formState.errors.root.message}</Trouble>}
          <PrimaryButton main icon="check" disabled={saving} onPress={() => void submit()}>
            Save athlete
          </PrimaryButton>
        </>
      }
    >
      <View style={{ maxWidth: 560, gap: SPACE.l }}>
        <Controller
          control={control}
          name="name"
          render={({ field, fieldState }) => (
            <TextField
              label="Name"
              value={field.value}
              onChange={field.onChange}
              error={fieldState.error?.message}
              hint={isThere ? `There is a ${name.trim()} in the squad already.` : undefined}
              autoFocus
            />
          )}
        />
        <Controller
          control={control}
          name="tileName"
          render={({ field, fieldState }) => (
            <TextField
              label="Name on the tile"
              value={field.value}
              onChange={field.onChange}
              error={fieldState.error?.message}
              placeholder={suggested || 'short, for the track'}
            />
          )}
        />
        <View style={{ gap: SPACE.s }}>
          <Text as="heading" level={2}>
            First mark
          </Text>
          <Text as="small" quiet>
            One race or trial is enough for paces. Without any they train by effort.
          </Text>
        </View>
        <Controller
          control={control}
          name="mark"
          render={({ field }) => <MarkEditor value={field.value} onChange={field.onChange} problems={problems} />}
        />
      </View>
    </Page>
  );
}
