import type { ReactNode } from 'react';
import { useController, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { COURSES } from '@core/fitness/mark';
import { formatDistance, USUAL_DISTANCES_M } from '@core/units/distance';
import { formatMarkTime } from '@core/units/time';
import { capitalised } from '@core/units/capitalised';
import { Choice } from '../ui/Choice';
import { FormChoice, FormText, FormWhen } from '../ui/form/Fields';
import { SideBySide } from '../ui/SideBySide';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';
import { readMark, type MarkFields } from './athleteForm';
import { COURSE_WORDS } from '../data/athleteText';

const DISTANCES = USUAL_DISTANCES_M.map((distanceM) => ({
  value: formatDistance(distanceM),
  text: formatDistance(distanceM),
}));
const KINDS = [
  { value: 'race', text: 'Race' },
  { value: 'trial', text: 'Trial' },
  { value: 'session', text: 'From a session' },
  { value: 'estimate', text: 'My estimate' },
];

const RUN_ON = COURSES.map((value) => ({ value, text: capitalised(COURSE_WORDS[value]) }));

/** What was understood of the typing so far. */
function ReadAs() {
  const palette = usePalette();
  const read = readMark(useWatch() as MarkFields);
  if (!read) return null;
  return (
    <View
      role="status"
      style={read.doubt ? { backgroundColor: palette.warning, borderRadius: RADIUS, padding: SPACE.s } : {}}
    >
      <Text as="small" {...(read.doubt ? { color: palette.onAction } : { quiet: true })}>
        {read.doubt
          ? `${read.doubt} You can keep it all the same.`
          : `Read as ${formatDistance(read.distanceM)} in ${formatMarkTime(read.timeS)}.`}
      </Text>
    </View>
  );
}

/** Place and conditions, and leaving it out of the curve. */
function More() {
  const course = useWatch<MarkFields, 'course'>({ name: 'course' });
  const { field: leftOut } = useController<MarkFields, 'leftOut'>({ name: 'leftOut' });
  return (
    <>
      <FormChoice field="course" label="Run on" showLabel options={RUN_ON} />
      {course !== 'track' && (
        <FormText
          field="courseName"
          label="Name of the course"
          hint="Times on one named course are compared with what the same athletes run on the track: a slow course never makes paces slower."
          placeholder="Mill Hill"
        />
      )}
      <FormText field="note" label="Place, conditions" placeholder="windy, hilly road, heat" />
      <Choice
        label="In the curve"
        showLabel
        options={[
          { value: 'in', text: 'Counts' },
          { value: 'out', text: 'Leave out of the curve' },
        ]}
        value={leftOut.value ? 'out' : 'in'}
        onChange={(chosen) => leftOut.onChange(chosen === 'out')}
      />
    </>
  );
}

type Props = {
  /** Place and conditions, and leaving it out of the curve, as well. */
  inFull?: boolean;
  /** Right under the time: what it comes to. */
  children?: ReactNode;
};

/** One mark being typed, in the form around it: distance, time, day and kind, with what was understood of it. */
export function MarkEditor({ inFull = false, children }: Props) {
  return (
    <View style={{ gap: SPACE.m }}>
      <View style={{ gap: SPACE.s }}>
        <FormChoice field="distance" label="Usual distances" options={DISTANCES} />
        <FormText field="distance" label="Distance" placeholder="or type one: 1200, 2 miles" />
      </View>
      <SideBySide>
        <FormText field="time" label="Time" placeholder="18:30" />
        <FormWhen field="date" type="date" label="Day" />
      </SideBySide>
      <ReadAs />
      {children}
      <FormChoice field="kind" label="Kind" showLabel options={KINDS} />
      {inFull && <More />}
    </View>
  );
}
