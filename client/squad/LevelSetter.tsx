import { useState } from 'react';
import { FormProvider } from 'react-hook-form';
import { View } from 'react-native';
import { timeFor, type Nudge } from '@core/fitness/curve';
import type { AthletePaces } from '@core/squad/athletePaces';
import { formatDistance } from '@core/units/distance';
import { formatMarkTime } from '@core/units/time';
import { dayName, today } from '../ui/days';
import { FormFoot } from '../ui/FormFoot';
import { PrimaryButton } from '../ui/PrimaryButton';
import { FormText } from '../ui/form/Fields';
import { useReadForm } from '../ui/form/useReadForm';
import { SideBySide } from '../ui/SideBySide';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import { emptyMark, readWholeMark } from './athleteForm';
import { TermHeading } from '../parts/TermHeading';

function LevelForm({ save, cancel }: { save: (level: Nudge) => Promise<void>; cancel: () => void }) {
  const { form, submit } = useReadForm({
    start: { ...emptyMark(today()), distance: '5k' },
    read: (typed) => readWholeMark(typed, today()),
    save: ({ distanceM, timeS, date }) => save({ distanceM, timeS, date }),
  });
  return (
    <FormProvider {...form}>
      <SideBySide>
        <FormText field="distance" label="Distance" />
        <FormText field="time" label="Equals now" placeholder="18:20" />
      </SideBySide>
      <FormFoot save="Set the level" onSave={submit} onCancel={cancel} />
    </FormProvider>
  );
}

type Props = {
  nudge: Nudge | undefined;
  /** The paces that the marks alone give. */
  unset: AthletePaces;
  save: (nudge: Nudge | undefined) => Promise<void>;
};

/** The coach's own word on the level: "5k equals 18:20 now", dated, until it is taken off. */
export function LevelSetter({ nudge, unset, save }: Props) {
  const [isOpen, setOpen] = useState(false);
  const marksSay =
    nudge && unset.curve ? ` The marks say ${formatMarkTime(timeFor(unset.curve, nudge.distanceM))}.` : '';
  return (
    <View style={{ gap: SPACE.s }}>
      <TermHeading terms={['level']}>Your own word</TermHeading>
      <Text as="small" quiet={!nudge}>
        {nudge
          ? `${formatDistance(nudge.distanceM)} equals ${formatMarkTime(nudge.timeS)} now: set by you, ${dayName(nudge.date)}.${marksSay}`
          : 'If you have seen more than the marks say, set the level. It is dated, and every pace follows.'}
      </Text>
      {isOpen ? (
        <LevelForm save={(level) => save(level).then(() => setOpen(false))} cancel={() => setOpen(false)} />
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <PrimaryButton onPress={() => setOpen(true)}>{nudge ? 'Set anew' : 'Set the level'}</PrimaryButton>
          {nudge && <PrimaryButton onPress={() => void save(undefined)}>Remove the level</PrimaryButton>}
        </View>
      )}
    </View>
  );
}
