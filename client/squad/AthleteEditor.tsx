import { router } from 'expo-router';
import { useEffect, useMemo } from 'react';
import { Controller, useFieldArray, useForm } from 'react-hook-form';
import { View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { ulid } from 'ulid';
import {
  troubleText,
  useAthletesQuery,
  usePutAthleteMutation,
  useRemoveAthleteMutation,
  useRestoreAthleteMutation,
  type Athlete,
} from '../store/api';
import { today } from '../ui/days';
import { Empty } from '../ui/Empty';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { TextField } from '../ui/TextField';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Words } from '../ui/Words';
import { useNotice } from '../ui/UndoBar';
import { toFields, type AthleteFields, type MarkFields } from './athleteForm';
import { MarkEditor } from './MarkEditor';

const backToList = () => router.replace('/squad');

const emptyMark = (): MarkFields => ({ distance: '', time: '', date: today(), kind: 'race' });

/** Writing, removing, and taking either back. */
function useAthleteActions() {
  const [put, putting] = usePutAthleteMutation();
  const [remove] = useRemoveAthleteMutation();
  const [restore] = useRestoreAthleteMutation();
  const notice = useNotice();
  return {
    error: putting.error,
    saving: putting.isLoading,
    async save(athlete: Athlete, before: Athlete | undefined) {
      const saved = await put(athlete);
      if (saved.error) return;
      backToList();
      const undo = () => void (before ? put(before) : remove(athlete.id));
      notice({ text: before ? `${athlete.name} is changed.` : `${athlete.name} is in the squad.`, undo });
    },
    async remove(athlete: Athlete) {
      const removed = await remove(athlete.id);
      if (removed.error) return notice({ text: troubleText(removed.error) });
      backToList();
      notice({ text: `${athlete.name} is removed.`, undo: () => void restore(athlete.id) });
    },
  };
}

function AthleteForm({ id, before }: { id: string; before?: Athlete }) {
  const actions = useAthleteActions();
  const start = useMemo(
    (): AthleteFields => (before ? toFields(before) : { name: '', marks: [emptyMark()] }),
    [before],
  );
  const { control, handleSubmit, setError, reset, formState } = useForm<AthleteFields>({ defaultValues: start });
  const { fields, append, remove } = useFieldArray({ control, name: 'marks' });
  useEffect(() => reset(start), [reset, start]);

  const submit = handleSubmit(async (typed) => {
    // The checks come from the server, once; without it nothing could be saved anyway.
    const checks = await import('./readAthlete').catch(() => undefined);
    if (!checks) return setError('root', { message: troubleText(undefined) });
    const read = checks.readAthlete(typed);
    if (read.ok) return actions.save({ id, ...read.athlete }, before);
    for (const { field, message } of read.problems) setError(field as 'name', { message });
    return undefined;
  });

  return (
    <Page
      title={before?.name ?? 'New athlete'}
      onBack={backToList}
      backLabel="Back to the squad"
      aside={
        before && (
          <IconButton
            icon="remove"
            onPress={() => void actions.remove(before)}
            accessibilityLabel={`Remove ${before.name}`}
            style={{ width: 44, height: 44 }}
          />
        )
      }
      footer={
        <>
          {formState.errors.root?.message !== undefined && <Trouble>{formState.errors.root.message}</Trouble>}
          {(formState.errors.name ?? formState.errors.marks) && (
            <Words as="small" live="polite">
              Not saved yet: a field above cannot be read. Your typing is kept.
            </Words>
          )}
          {actions.error !== undefined && <Trouble>{troubleText(actions.error)}</Trouble>}
          <PrimaryButton main icon="check" disabled={actions.saving} onPress={() => void submit()}>
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
              autoFocus={!before}
            />
          )}
        />
        {fields.map((mark, index) => (
          <MarkEditor
            key={mark.id}
            control={control}
            index={index}
            {...(fields.length > 1 ? { remove: () => remove(index) } : {})}
          />
        ))}
        <View style={{ alignItems: 'flex-start' }}>
          <PrimaryButton icon="plus" onPress={() => append(emptyMark())}>
            Another mark
          </PrimaryButton>
        </View>
      </View>
    </Page>
  );
}

/** An athlete's name and marks; `id` is `new` for one not yet in the squad. */
export function AthleteEditor({ id }: { id: string }) {
  const { data: athletes, error, refetch } = useAthletesQuery();
  const newId = useMemo(() => ulid(), []);
  if (id === 'new') return <AthleteForm id={newId} />;
  const athlete = athletes?.find((candidate) => candidate.id === id);
  if (athlete) return <AthleteForm key={id} id={id} before={athlete} />;
  return (
    <Page title="Athlete" onBack={backToList} backLabel="Back to the squad">
      {error ? <Trouble retry={() => void refetch()}>{troubleText(error)}</Trouble> : !athletes && <Loading />}
      {athletes && (
        <Empty title="Not in the squad" action={{ label: 'Go to the squad', onPress: backToList }}>
          There is no athlete at this address. They may have been removed.
        </Empty>
      )}
    </Page>
  );
}
