import type { ReactNode } from 'react';
import { View } from 'react-native';
import { COURSES } from '@core/fitness/mark';
import { formatDistance, USUAL_DISTANCES_M } from '@core/units/distance';
import { formatMarkTime } from '@core/units/time';
import { capitalised } from '../ui/capitalised';
import { Choice } from '../ui/Choice';
import { WhenField } from '../ui/WhenField';
import { TextField } from '../ui/TextField';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';
import { readMark, type MarkFields, type MarkProblems } from './athleteForm';
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
] as const;

const RUN_ON = COURSES.map((value) => ({ value, text: capitalised(COURSE_WORDS[value]) }));

type Props = {
  value: MarkFields;
  onChange: (value: MarkFields) => void;
  problems: MarkProblems;
  /** Place and conditions, and leaving it out of the curve, as well. */
  inFull?: boolean;
  /** Right under the time: what it comes to. */
  children?: ReactNode;
};

/** One mark being typed: distance, time, day and kind, with what was understood of it. */
export function MarkEditor({ value, onChange, problems, inFull = false, children }: Props) {
  const palette = usePalette();
  const read = readMark(value);
  const change = (part: Partial<MarkFields>) => onChange({ ...value, ...part });
  return (
    <View style={{ gap: SPACE.m }}>
      <View style={{ gap: SPACE.s }}>
        <Choice
          label="Usual distances"
          options={DISTANCES}
          value={value.distance}
          onChange={(distance) => change({ distance })}
        />
        <TextField
          label="Distance"
          value={value.distance}
          onChange={(distance) => change({ distance })}
          error={problems.distance}
          placeholder="or type one: 1200, 2 miles"
        />
      </View>
      <View style={{ flexDirection: 'row', gap: SPACE.m }}>
        <View style={{ flex: 1 }}>
          <TextField
            label="Time"
            value={value.time}
            onChange={(time) => change({ time })}
            error={problems.time}
            placeholder="18:30"
          />
        </View>
        <View style={{ flex: 1 }}>
          <WhenField
            type="date"
            label="Day"
            value={value.date}
            onChange={(date) => change({ date })}
            error={problems.date}
          />
        </View>
      </View>
      {read && (
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
      )}
      {children}
      <Choice label="Kind" showLabel options={KINDS} value={value.kind} onChange={(kind) => change({ kind })} />
      {inFull && (
        <>
          <Choice
            label="Run on"
            showLabel
            options={RUN_ON}
            value={value.course}
            onChange={(course) => change({ course })}
          />
          {value.course !== 'track' && (
            <TextField
              label="Name of the course"
              value={value.courseName}
              onChange={(courseName) => change({ courseName })}
              error={problems.courseName}
              hint="Times on one named course are compared with what the same athletes run on the track: a slow course never makes paces slower."
              placeholder="Mill Hill"
            />
          )}
          <TextField
            label="Place, conditions"
            value={value.note}
            onChange={(note) => change({ note })}
            error={problems.note}
            placeholder="windy, hilly road, heat"
          />
          <Choice
            label="In the curve"
            showLabel
            options={[
              { value: 'in', text: 'Counts' },
              { value: 'out', text: 'Leave out of the curve' },
            ]}
            value={value.leftOut ? 'out' : 'in'}
            onChange={(chosen) => change({ leftOut: chosen === 'out' })}
          />
        </>
      )}
    </View>
  );
}
