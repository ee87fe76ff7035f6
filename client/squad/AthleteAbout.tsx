import { router } from 'expo-router';
import { useEffect, useMemo } from 'react';
import { FormProvider } from 'react-hook-form';
import { View } from 'react-native';
import type { AthleteInput } from '@core/api/schemas';
import { LEANINGS } from '@core/fitness/shapePrior';
import { STATUSES, weeksRunning, type SquadMember } from '@core/squad/athlete';
import { PACE_BOOK_NOTES } from '@core/paces/shippedPaceBooks';
import { kmOfAthlete, useKmSource } from '../data/useKmSource';
import { troubleText } from '../store/api';
import { today } from '../ui/days';
import { PrimaryButton } from '../ui/PrimaryButton';
import { FormSelect, FormText } from '../ui/form/Fields';
import { useReadForm } from '../ui/form/useReadForm';
import { SideBySide } from '../ui/SideBySide';
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

type Props = {
  athlete: SquadMember;
  squad: SquadView;
  change: (athlete: SquadMember, noticeText: string) => Promise<Changed>;
  remove: () => void;
};

/** The athlete's particulars, and the ways out: archive, removing, a copy, erasing. */
export function AthleteAbout({ athlete, squad, change, remove }: Props) {
  const start = useMemo(() => toFields(athlete), [athlete]);
  const { form, submit, trouble } = useReadForm<AboutFields, AthleteInput>({
    start,
    read: async (typed) => {
      const checks = await import('../data/checks').catch(() => undefined);
      return checks
        ? checks.readAbout(typed, athlete, today())
        : { ok: false, problems: { form: troubleText(undefined) } };
    },
    save: async (read) => {
      const { status, tileName } = form.getValues();
      const done = await change(
        { ...read, status, tileName: tileName.trim(), id: athlete.id },
        `${read.name} is changed.`,
      );
      if (done.ok) return undefined;
      return { [done.field === 'tileName' || done.field === 'chip' ? done.field : 'form']: done.message };
    },
  });
  const { reset, formState } = form;
  useEffect(() => reset(start), [reset, start]);
  const book = paceBookOf(athlete, squad);
  const km = kmOfAthlete(athlete, squad, useKmSource());

  return (
    <FormProvider {...form}>
      <View style={{ gap: SPACE.l, maxWidth: 560 }}>
        <FormText field="name" label="Name" />
        <SideBySide>
          <FormText field="tileName" label="Name on the tile" />
          <FormText field="bornYear" label="Year of birth" placeholder="if needed" />
        </SideBySide>
        <SideBySide>
          <FormSelect
            field="leaning"
            label="Event leaning"
            options={[
              { value: '', text: 'not said' },
              ...LEANINGS.map((value) => ({ value, text: LEANING_WORDS[value] })),
            ]}
          />
          <FormText field="weeks" label="Weeks of regular running" placeholder="if few" />
        </SideBySide>
        <FormText
          field="weeklyKm"
          label="Kilometres a week"
          placeholder="in a usual week, if known"
          hint={
            km?.from === 'ticked'
              ? `About ${km.km} km by the days that were ticked: that counts, as long as most days are.`
              : undefined
          }
        />
        <SideBySide>
          <FormSelect
            field="groupId"
            label="Usual group"
            options={[
              { value: '', text: 'none' },
              ...squad.settings.groups.map(({ id, name }) => ({ value: id, text: name })),
            ]}
          />
          <FormSelect
            field="status"
            label="Status"
            options={STATUSES.map((value) => ({ value, text: STATUS_WORDS[value] }))}
          />
        </SideBySide>
        <View style={{ gap: SPACE.xs }}>
          <FormSelect
            field="paceBookId"
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
        <FormText field="chip" label="Timing chip" placeholder="if one is worn" />
        <FormText
          field="notes"
          label="Private notes"
          lines={3}
          hint="Keep little: what training needs. Nobody else sees it, and it goes with the athlete."
        />
        {trouble !== undefined && <Trouble>{trouble}</Trouble>}
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <PrimaryButton main icon="check" disabled={!formState.isDirty} onPress={submit}>
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
    </FormProvider>
  );
}
