import { counted } from '@core/units/counted';
import { useState } from 'react';
import { FormProvider } from 'react-hook-form';
import { View } from 'react-native';
import { FormFoot } from '../ui/FormFoot';
import type { AthletePaces } from '@core/squad/athletePaces';
import type { Goal, SquadMember } from '@core/squad/athlete';
import { formatDistance } from '@core/units/distance';
import { formatExactTime, formatMarkTime } from '@core/units/time';
import { daysBetween } from '@core/units/dayNumber';
import { dayName, today } from '../ui/days';
import { PrimaryButton } from '../ui/PrimaryButton';
import { FormText, FormWhen } from '../ui/form/Fields';
import { useReadForm } from '../ui/form/useReadForm';
import { SideBySide } from '../ui/SideBySide';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';
import { FitnessChart } from '../parts/FitnessChart';
import { GoalReachText } from './GoalReachText';
import { emptyMark, readGoal } from './athleteForm';

function GoalForm({ goal, save, cancel }: { goal: Goal | undefined; save: (goal: Goal) => void; cancel: () => void }) {
  const palette = usePalette();
  const { form, submit } = useReadForm({
    start: {
      ...emptyMark(goal?.date ?? ''),
      ...(goal
        ? { distance: formatDistance(goal.distanceM), time: formatExactTime(goal.timeS), note: goal.race ?? '' }
        : {}),
    },
    read: readGoal,
    save,
  });
  return (
    <FormProvider {...form}>
      <View style={{ gap: SPACE.m, padding: SPACE.m, borderRadius: RADIUS, backgroundColor: palette.raised }}>
        <SideBySide>
          <FormText field="distance" label="Goal distance" placeholder="1500" />
          <FormText field="time" label="Goal time" placeholder="4:20" />
        </SideBySide>
        <FormWhen field="date" type="date" label="Race day" />
        <FormText field="note" label="Which race" placeholder="if it has a name" />
        <FormFoot save="Save goal" onSave={submit} onCancel={cancel} />
      </View>
    </FormProvider>
  );
}

function goalText({ distanceM, timeS, date, race }: Goal): string {
  const days = daysBetween(today(), date);
  const when =
    days > 13
      ? `in ${Math.round(days / 7)} weeks`
      : days > 0
        ? `in ${counted(days, 'day')}`
        : days === 0
          ? 'today'
          : 'over';
  const name = race === undefined ? '' : `${race}: `;
  return `${name}${formatDistance(distanceM)} in ${formatMarkTime(timeS)}, ${dayName(date)} (${when})`;
}

type Props = {
  athlete: SquadMember;
  paces: AthletePaces;
  put: (athlete: SquadMember, noticeText: string) => Promise<boolean>;
};

/** The goal race, whether it can be reached, and how fitness has come along over the season. */
export function AthleteSeason({ athlete, paces, put }: Props) {
  const { goal } = athlete;
  const [isOpen, setOpen] = useState(false);
  return (
    <View style={{ gap: SPACE.l }}>
      <View style={{ gap: SPACE.s }}>
        <Text as="heading" level={2}>
          Goal race
        </Text>
        <Text quiet={!goal}>
          {goal ? goalText(goal) : 'No goal yet. With one, every pace is shown now and at the goal.'}
        </Text>
        <GoalReachText athlete={athlete} paces={paces} />
        {isOpen ? (
          <GoalForm
            goal={goal}
            save={(next) =>
              void put({ ...athlete, goal: next }, 'The goal is set.').then((done) => done && setOpen(false))
            }
            cancel={() => setOpen(false)}
          />
        ) : (
          <View style={{ flexDirection: 'row', gap: SPACE.s }}>
            <PrimaryButton onPress={() => setOpen(true)}>{goal ? 'Change goal' : 'Set a goal'}</PrimaryButton>
            {goal && (
              <PrimaryButton
                onPress={() => {
                  const { goal: _goal, ...rest } = athlete;
                  void put(rest, 'The goal is removed.');
                }}
              >
                Remove the goal
              </PrimaryButton>
            )}
          </View>
        )}
      </View>
      <FitnessChart athlete={athlete} paces={paces} />
    </View>
  );
}
