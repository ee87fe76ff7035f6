import { View } from 'react-native';
import type { TimeAnswer, TimeQuestion } from '@core/formats/roster/readPeople';
import { counted } from '@core/units/counted';
import { formatDistance, parseDistance, USUAL_DISTANCES_M } from '@core/units/distance';
import { formatTime } from '@core/units/time';
import { today } from '../../ui/days';
import { Choice } from '../../ui/Choice';
import { SmallButton } from '../../ui/SmallButton';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { TextField } from '../../ui/TextField';
import { TickRow } from '../../ui/TickRow';
import { WhenField } from '../../ui/WhenField';
import { Text } from '../../ui/Text';

/** So many are asked at a time. */
const MOST = 20;

type Props = {
  questions: readonly TimeQuestion[];
  answer: (ids: readonly string[], answer: TimeAnswer) => void;
  undated: number;
  markDate: string;
  setMarkDate: (date: string) => void;
  leavesUndated: boolean;
  setLeavesUndated: (leaves: boolean) => void;
  undistanced: number;
  markDistance: string;
  setMarkDistance: (text: string) => void;
  leavesUndistanced: boolean;
  setLeavesUndistanced: (leaves: boolean) => void;
};

/** What the file leaves open and only the coach knows: what a time was meant to be, and when marks without a day were run. */
export function Settle(props: Props) {
  const { questions, answer, undated, markDate, setMarkDate, leavesUndated, setLeavesUndated } = props;
  const { undistanced, markDistance, setMarkDistance, leavesUndistanced, setLeavesUndistanced } = props;
  const palette = usePalette();
  if (questions.length === 0 && undated === 0 && undistanced === 0) return null;
  const over = parseDistance(markDistance);
  const frame = { gap: SPACE.s, padding: SPACE.m, borderRadius: RADIUS, borderWidth: 2, borderColor: palette.warning };
  const all = questions.map(({ id }) => id);
  return (
    <>
      {questions.length > 0 && (
        <View role="group" aria-label="Times to settle" style={frame}>
          <Text as="heading" level={2}>
            {questions.length === 1 ? '1 time to settle' : `${questions.length} times to settle`}
          </Text>
          {questions.slice(0, MOST).map(({ id, row, column, message, meantS }) => (
            <View key={id} style={{ gap: SPACE.xs }}>
              <Text>{`Row ${row}, ${column}: ${message}`}</Text>
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
                <SmallButton
                  label={`Row ${row}, ${column}: it was ${formatTime(meantS)}`}
                  onPress={() => answer([id], 'meant')}
                >
                  {`It was ${formatTime(meantS)}`}
                </SmallButton>
                <SmallButton label={`Row ${row}, ${column}: leave it out`} onPress={() => answer([id], 'leaveOut')}>
                  Leave it out
                </SmallButton>
              </View>
            </View>
          ))}
          {questions.length > 1 && (
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
              <SmallButton onPress={() => answer(all, 'meant')}>{`All ${all.length} like that`}</SmallButton>
              <SmallButton onPress={() => answer(all, 'leaveOut')}>{`Leave all ${all.length} out`}</SmallButton>
            </View>
          )}
        </View>
      )}
      {undistanced > 0 && (
        <View role="group" aria-label="Times without a distance" style={frame}>
          <Text as="heading" level={2}>
            Over what distance?
          </Text>
          <Text as="small">{`${counted(undistanced, 'time')} ${undistanced === 1 ? 'stands' : 'stand'} without one.`}</Text>
          <Choice
            label="Distance of these times"
            options={USUAL_DISTANCES_M.map((distanceM) => {
              const text = formatDistance(distanceM);
              return { value: text, text };
            })}
            value={over.ok ? formatDistance(over.distanceM) : ''}
            onChange={setMarkDistance}
          />
          <TextField
            label="Or another distance"
            value={markDistance}
            onChange={setMarkDistance}
            error={markDistance !== '' && !over.ok ? over.message : undefined}
          />
          <TickRow
            label={undistanced === 1 ? 'Leave this time out' : `Leave these ${undistanced} times out`}
            checked={leavesUndistanced}
            onChange={setLeavesUndistanced}
          />
        </View>
      )}
      {undated > 0 && (
        <View role="group" aria-label="Marks without a day" style={frame}>
          <Text as="heading" level={2}>
            {undated === 1 ? '1 mark has no day' : `${undated} marks have no day`}
          </Text>
          <Text as="small">
            A mark counts less the older it is, so it needs its day. Choose a column for it above, give one day for all
            of them, or leave them out.
          </Text>
          <WhenField
            type="date"
            label="They were run on"
            value={markDate}
            onChange={setMarkDate}
            error={markDate > today() ? 'This day is still to come.' : undefined}
          />
          <TickRow
            label={undated === 1 ? 'Leave it out' : `Leave these ${undated} out`}
            checked={leavesUndated}
            onChange={setLeavesUndated}
          />
        </View>
      )}
    </>
  );
}
