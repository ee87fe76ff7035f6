import { router } from 'expo-router';
import { useEffect, useMemo } from 'react';
import { Controller, useForm, type Control } from 'react-hook-form';
import { View } from 'react-native';
import { LEANINGS, STATUSES, weeksRunning, type SquadMember } from '@core/squad/athlete';
import { PACE_BOOK_NOTES } from '@core/paces/shippedPaceBooks';
import { kmOfAthlete, useKmSource } from '../data/useKmSource';
import { troubleText } from '../store/api';
import { today } from '../ui/days';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Select } from '../ui/Select';
import { TextField } from '../ui/TextField';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';
import { EraseAthlete } from './EraseAthlete';
import type { AboutFields } from '../data/readAthlete';
import { paceBookOf, type SquadView } from '../data/useSquad';
import type { Changed } from '../data/useSquadChange';
import { LEANING_WORDS, STATUS_WORDS } from '../data/athleteText';

function toFields(athlete: SquadMember): AboutFields {
  return {
    name: athlete.name,
    tileName: athlete.tileName,
    bornYear: athlete.bornYear === undefined ? '' : String(athlete.bornYear),
    leaning: athlete.leaning ?? '',
    weeks: String(weeksRunning(athlete, today()) ?? ''),
    weeklyKm: String(athlete.weeklyKm ?? ''),
    groupId: athlete.groupId ?? '',
    status: athlete.status,
    notes: athlete.notes ?? '',
    chip: athlete.chip ?? '',
    paceBookId: athlete.paceBookId ?? '',
  };
}

type FieldProps = {
  control: Control<AboutFields>;
  name: keyof AboutFields;
  label: string;
  hint?: string | undefined;
  placeholder?: string;
  lines?: number;
};

function Typed({ control, name, ...props }: FieldProps) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <TextField {...props} value={field.value} onChange={field.onChange} error={fieldState.error?.message} />
      )}
    />
  );
}

function Picked({
  control,
  name,
  label,
  options,
}: FieldProps & { options: readonly { value: string; text: string }[] }) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <Select
          label={label}
          options={options}
          value={field.value}
          onChange={field.onChange}
          error={fieldState.error?.message}
        />
      )}
    />
  );
}

type Props = {
  athlete: SquadMember;
  squad: SquadView;
  change: (athlete: SquadMember, noticeText: string) => Promise<Changed>;
  remove: () => void;
};

/** The athlete's particulars, and the ways out: archive, removing, a copy, erasing. */
export function AthleteAbout({ athlete, squad, change, remove }: Props) {
  const start = useMemo(() => toFields(athlete), [athlete]);
  const { control, handleSubmit, setError, reset, formState } = useForm<AboutFields>({ defaultValues: start });
  useEffect(() => reset(start), [reset, start]);
  const book = paceBookOf(athlete, squad);
  const km = kmOfAthlete(athlete, squad, useKmSource());

  const submit = handleSubmit(async (typed) => {
    const checks = await import('../data/checks').catch(() => undefined);
    if (!checks) return setError('root', { message: troubleText(undefined) });
    const read = checks.readAbout(typed, athlete, today());
    if (!read.ok) {
      for (const { field, message } of read.problems) setError(field as 'name', { message });
      return setError('root', { message: 'Not saved yet: a field above cannot be taken. Your typing is kept.' });
    }
    const { status, tileName } = typed;
    const done = await change(
      { ...read.athlete, status, tileName: tileName.trim(), id: athlete.id },
      `${read.athlete.name} is changed.`,
    );
    if (done.ok) return undefined;
    const { field, message } = done;
    return setError(field === 'tileName' || field === 'chip' ? field : 'root', { message });
  });

  return (
    <View style={{ gap: SPACE.l, maxWidth: 560 }}>
      <Typed control={control} name="name" label="Name" />
      <View style={{ flexDirection: 'row', gap: SPACE.m }}>
        <View style={{ flex: 1 }}>
          <Typed control={control} name="tileName" label="Name on the tile" />
        </View>
        <View style={{ flex: 1 }}>
          <Typed control={control} name="bornYear" label="Year of birth" placeholder="if needed" />
        </View>
      </View>
      <View style={{ flexDirection: 'row', gap: SPACE.m }}>
        <View style={{ flex: 1 }}>
          <Picked
            control={control}
            name="leaning"
            label="Event leaning"
            options={[
              { value: '', text: 'not said' },
              ...LEANINGS.map((value) => ({ value, text: LEANING_WORDS[value] })),
            ]}
          />
        </View>
        <View style={{ flex: 1 }}>
          <Typed control={control} name="weeks" label="Weeks of regular running" placeholder="if few" />
        </View>
      </View>
      <Typed
        control={control}
        name="weeklyKm"
        label="Kilometres a week"
        placeholder="in a usual week, if known"
        hint={
          km?.from === 'ticked'
            ? `About ${km.km} km by the days that were ticked: that counts, as long as most days are.`
            : undefined
        }
      />
      <View style={{ flexDirection: 'row', gap: SPACE.m }}>
        <View style={{ flex: 1 }}>
          <Picked
            control={control}
            name="groupId"
            label="Usual group"
            options={[
              { value: '', text: 'none' },
              ...squad.settings.groups.map(({ id, name }) => ({ value: id, text: name })),
            ]}
          />
        </View>
        <View style={{ flex: 1 }}>
          <Picked
            control={control}
            name="status"
            label="Status"
            options={STATUSES.map((value) => ({ value, text: STATUS_WORDS[value] }))}
          />
        </View>
      </View>
      <View style={{ gap: SPACE.xs }}>
        <Picked
          control={control}
          name="paceBookId"
          label="Pace book"
          options={[
            { value: '', text: 'that of the squad' },
            ...squad.books.map(({ id, name }) => ({ value: id, text: name })),
          ]}
        />
        <Text as="small" quiet>
          {PACE_BOOK_NOTES[book.id] ?? `Your own book: ${book.name}.`}
        </Text>
      </View>
      <Typed control={control} name="chip" label="Timing chip" placeholder="if one is worn" />
      <Typed
        control={control}
        name="notes"
        label="Private notes"
        lines={3}
        hint="Keep little: what training needs. Nobody else sees it, and it goes with the athlete."
      />
      {formState.errors.root?.message !== undefined && <Trouble>{formState.errors.root.message}</Trouble>}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <PrimaryButton main icon="check" disabled={!formState.isDirty} onPress={() => void submit()}>
          Save changes
        </PrimaryButton>
        <PrimaryButton
          onPress={() => {
            const { archived, ...rest } = athlete;
            const to: SquadMember = archived ? rest : { ...rest, archived: true };
            void change(
              to,
              archived ? `${athlete.name} is back in the squad.` : `${athlete.name} is in the archive.`,
            ).then((done) => done.ok && router.replace('/squad'));
          }}
        >
          {athlete.archived ? 'Bring back' : 'Archive'}
        </PrimaryButton>
        <PrimaryButton onPress={remove} label={`Remove ${athlete.name}`}>
          Remove
        </PrimaryButton>
      </View>
      <EraseAthlete athlete={athlete} />
    </View>
  );
}
