import { useEffect } from 'react';
import { FormProvider, useFormContext, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { easingDays, EXCEPTION_WORDS } from '@core/season/exceptions';
import { EXCEPTION_KINDS, type AthleteException, type DaysOff } from '@core/season/season';
import type { SquadMember } from '@core/squad/athlete';
import { counted } from '@core/units/counted';
import { capitalised } from '@core/units/capitalised';
import { today } from '../ui/days';
import { FormSelect, FormText, FormWhen } from '../ui/form/Fields';
import { useReadForm } from '../ui/form/useReadForm';
import { FormFoot } from '../ui/FormFoot';
import { SideBySide } from '../ui/SideBySide';
import { Text } from '../ui/Text';
import { SPACE } from '../ui/theme';
import { readDaysOff, readException, type ExceptionFields, type OffFields, type SpanFields } from './seasonForms';

const KINDS = EXCEPTION_KINDS.map((value) => ({ value, text: capitalised(EXCEPTION_WORDS[value]) }));

/** The first and the last day; the last one goes along with a first one that is put after it. */
function FormSpan() {
  const { control, formState, getValues, setValue, trigger } = useFormContext<SpanFields>();
  const from = useWatch({ control, name: 'from' });
  const { isSubmitted } = formState;
  useEffect(() => {
    if (getValues('to') < from) setValue('to', from);
    // What was said of the last day may be about the first one.
    if (isSubmitted) void trigger('to');
  }, [from, isSubmitted, getValues, setValue, trigger]);
  return (
    <SideBySide>
      <FormWhen field="from" type="date" label="First day" />
      <FormWhen field="to" type="date" label="Last day" />
    </SideBySide>
  );
}

/** Days on which nobody trains. */
export function OffForm({ save, cancel }: { save: (off: DaysOff) => void; cancel: () => void }) {
  const { form, submit } = useReadForm<OffFields, DaysOff>({
    start: { from: '', to: '', reason: '' },
    read: readDaysOff,
    save,
  });
  return (
    <FormProvider {...form}>
      <View style={{ gap: SPACE.m }}>
        <FormSpan />
        <FormText field="reason" label="What for" placeholder="holidays, exams" />
        <FormFoot save="Mark them off" onSave={submit} onCancel={cancel} />
      </View>
    </FormProvider>
  );
}

type ExceptionProps = {
  athletes: readonly SquadMember[];
  save: (exception: AthleteException) => void;
  cancel: () => void;
};

/** An athlete who is not as the others for some days. */
export function ExceptionForm({ athletes, save, cancel }: ExceptionProps) {
  const { form, submit } = useReadForm<ExceptionFields, AthleteException>({
    start: { athleteId: athletes[0]?.id ?? '', kind: 'away', from: today(), to: today() },
    read: readException,
    save,
  });
  const read = readException(useWatch({ control: form.control }) as ExceptionFields);
  const easing = read.ok ? easingDays(read.value) : 0;
  return (
    <FormProvider {...form}>
      <View style={{ gap: SPACE.m }}>
        <FormSelect
          field="athleteId"
          label="Who"
          options={athletes.map(({ id, name }) => ({ value: id, text: name }))}
        />
        <FormSelect field="kind" label="What it is" options={KINDS} />
        <FormSpan />
        {easing > 0 && (
          <Text as="small" quiet>
            {`Then easing back for ${counted(easing, 'day')}: less, at the pace of now. What a doctor says goes before it.`}
          </Text>
        )}
        <FormFoot save="Note it" onSave={submit} onCancel={cancel} />
      </View>
    </FormProvider>
  );
}
