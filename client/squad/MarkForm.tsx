import { useEffect, useRef } from 'react';
import { FormProvider } from 'react-hook-form';
import { View } from 'react-native';
import { useReadForm } from '../ui/form/useReadForm';
import { FormFoot } from '../ui/FormFoot';
import type { Mark } from '@core/fitness/mark';
import { paceOf } from '@core/paces/paceTable';
import type { AthletePaces } from '@core/squad/athletePaces';
import { useAppSelector } from '../store/store';
import { today } from '../ui/days';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';
import { emptyMark, markIn, readWholeMark, toMarkFields } from './athleteForm';
import { MarkEditor } from './MarkEditor';
import { paceText, UNIT_WORDS } from './squadRows';

/** What a mark being typed does to a few paces. */
function Difference({ before, after }: { before: AthletePaces; after: AthletePaces }) {
  const { shown, unit } = useAppSelector((state) => state.settings.paces);
  const palette = usePalette();
  const lines = shown.flatMap((name) => {
    const now = paceOf(after, name);
    if (now === undefined) return [];
    const was = paceOf(before, name);
    return [{ name, was: was === undefined ? undefined : paceText(was, unit), now: paceText(now, unit) }];
  });
  if (lines.length === 0) return null;
  return (
    <View role="status" aria-label="What it changes" style={{ gap: SPACE.xs }}>
      <Text as="label" quiet>
        {`What it makes of the paces, ${UNIT_WORDS[unit]}`}
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
        {lines.map(({ name, was, now }) => (
          <View key={name} style={{ padding: SPACE.s, borderRadius: RADIUS, backgroundColor: palette.fill }}>
            <Text as="label">{name}</Text>
            <Text as="strong">{was === undefined || was === now ? now : `${was} → ${now}`}</Text>
          </View>
        ))}
      </View>
    </View>
  );
}

type Props = {
  /** The mark that is changed; a new one if left out. */
  before?: Mark;
  pacesBefore: AthletePaces;
  /** Paces with what is typed in place of it. */
  pacesAfter: AthletePaces;
  /** What is typed, each time it can be read (undefined while it cannot). */
  onType: (mark: Mark | undefined) => void;
  save: (mark: Mark) => Promise<void>;
  remove?: () => void;
  cancel: () => void;
};

/** A mark being added or changed; the paces follow as it is typed. */
export function MarkForm({ before, pacesBefore, pacesAfter, onType, save, remove, cancel }: Props) {
  const palette = usePalette();
  const { form, submit, trouble } = useReadForm({
    start: before ? toMarkFields(before) : emptyMark(today()),
    read: (typed) => readWholeMark(typed, today()),
    save,
  });
  const heard = useRef(onType);
  useEffect(() => {
    heard.current = onType;
  });
  useEffect(
    () =>
      form.subscribe({
        formState: { values: true },
        callback: ({ values }) => heard.current(values.date === '' ? undefined : markIn(values)),
      }),
    [form],
  );
  return (
    <FormProvider {...form}>
      <View
        role="group"
        aria-label={before ? 'Change this mark' : 'New mark'}
        style={{ gap: SPACE.m, padding: SPACE.m, borderRadius: RADIUS, backgroundColor: palette.raised }}
      >
        <MarkEditor inFull>
          <Difference before={pacesBefore} after={pacesAfter} />
        </MarkEditor>
        {trouble !== undefined && (
          <Text as="small" live="polite">
            {trouble}
          </Text>
        )}
        <FormFoot save="Save mark" onSave={submit} onCancel={cancel} onRemove={remove} />
      </View>
    </FormProvider>
  );
}
