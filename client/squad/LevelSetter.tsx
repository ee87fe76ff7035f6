import { useState } from 'react';
import { View } from 'react-native';
import { timeFor, type Nudge } from '@core/fitness/curve';
import type { AthletePaces } from '@core/squad/athletePaces';
import { formatDistance } from '@core/units/distance';
import { formatMarkTime } from '@core/units/time';
import { dayName, today } from '../ui/days';
import { FormFoot } from '../ui/FormFoot';
import { PrimaryButton } from '../ui/PrimaryButton';
import { TextField } from '../ui/TextField';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import { emptyMark, markIn, markProblems, type MarkProblems } from './athleteForm';
import { TermHeading } from '../parts/TermHeading';

type Props = {
  nudge: Nudge | undefined;
  /** The paces that the marks alone give. */
  unset: AthletePaces;
  save: (nudge: Nudge | undefined) => Promise<void>;
};

/** The coach's own word on the level: "5k equals 18:20 now", dated, until it is taken off. */
export function LevelSetter({ nudge, unset, save }: Props) {
  const [isOpen, setOpen] = useState(false);
  const [fields, setFields] = useState(() => ({ ...emptyMark(today()), distance: '5k' }));
  const [problems, setProblems] = useState<MarkProblems>({});
  const submit = () => {
    const wrong = markProblems(fields, today());
    setProblems(wrong);
    const mark = markIn(fields);
    if (!mark || Object.keys(wrong).length > 0) return;
    const { distanceM, timeS, date } = mark;
    void save({ distanceM, timeS, date }).then(() => setOpen(false));
  };
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
      {isOpen && (
        <View style={{ flexDirection: 'row', gap: SPACE.m }}>
          <View style={{ flex: 1 }}>
            <TextField
              label="Distance"
              value={fields.distance}
              onChange={(distance) => setFields({ ...fields, distance })}
              error={problems.distance}
            />
          </View>
          <View style={{ flex: 1 }}>
            <TextField
              label="Equals now"
              value={fields.time}
              onChange={(time) => setFields({ ...fields, time })}
              error={problems.time}
              placeholder="18:20"
            />
          </View>
        </View>
      )}
      {isOpen ? (
        <FormFoot save="Set the level" onSave={submit} onCancel={() => setOpen(false)} />
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <PrimaryButton onPress={() => setOpen(true)}>{nudge ? 'Set anew' : 'Set the level'}</PrimaryButton>
          {nudge && <PrimaryButton onPress={() => void save(undefined)}>Remove the level</PrimaryButton>}
        </View>
      )}
    </View>
  );
}
