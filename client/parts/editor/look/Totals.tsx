import { memo } from 'react';
import { View } from 'react-native';
import type { Work } from '@core/targets/totals';
import { SPACE, usePalette } from '../../../ui/theme';
import type { Palette } from '../../../ui/palette';
import { Text } from '../../../ui/Text';
import type { SpanEnd } from '../../../data/sessionView';
import { useLengthUnit } from '../../../data/useLengthUnit';
import { clockAfter, metresText, minutes, minutesText, percentText } from './totalsText';

const WORK_NAME: Record<Work, string> = {
  warm: 'warm-up',
  main: 'main part',
  finish: 'fast finish',
  recovery: 'recovery',
  cool: 'cool-down',
};
const workColor = (palette: Palette): Record<Work, string> => ({
  warm: palette.easy,
  main: palette.rep,
  finish: palette.action,
  recovery: palette.jog,
  cool: palette.easy,
});

/** Most of them stay the same from one letter of the session to the next. */
const Line = memo(function Line({ name, text }: { name: string; text: string }) {
  const palette = usePalette();
  return (
    <View
      style={{
        flexDirection: 'row',
        justifyContent: 'space-between',
        gap: SPACE.m,
        paddingVertical: 6,
        borderBottomWidth: 1,
        borderBottomColor: palette.line,
      }}
    >
      <Text as="small" quiet style={{ flexShrink: 0 }}>
        {name}
      </Text>
      <Text as="small" style={{ textAlign: 'right', flexShrink: 1 }}>
        {text}
      </Text>
    </View>
  );
});

/** How the time of the session is shared between its kinds of work. */
function WorkBar({ end }: { end: SpanEnd }) {
  const palette = usePalette();
  const color = workColor(palette);
  const { byWork, durationS } = end.totals;
  return (
    <View style={{ gap: 6 }} aria-hidden>
      <View style={{ flexDirection: 'row', height: 18, borderRadius: 4, overflow: 'hidden', gap: 2 }}>
        {byWork.map(({ work, durationS: workS }) => (
          <View
            key={work}
            style={{ flexGrow: workS / Math.max(1, durationS), flexBasis: 0, backgroundColor: color[work] }}
          />
        ))}
      </View>
    </View>
  );
}

type Props = { ends: readonly SpanEnd[]; startTime?: string | undefined };

/** Totals: whole, by kind of work and by pace, for the fastest and the slowest of the squad. */
export function Totals({ ends, startTime }: Props) {
  const palette = usePalette();
  const unit = useLengthUnit();
  const [first] = ends;
  if (!first) return null;
  const last = ends.at(-1) ?? first;
  const whole = ends.map((end) => end.totals.durationS);
  const color = workColor(palette);
  return (
    <View style={{ gap: SPACE.s }} role="group" aria-label="Totals">
      <Text as="heading" level={2}>
        Totals
      </Text>
      <WorkBar end={last} />
      <View>
        {last.totals.byWork.map(({ work, distanceM }) => (
          <View key={work} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <View
              style={{
                width: 12,
                height: 12,
                borderRadius: 3,
                backgroundColor: color[work],
                borderWidth: 1,
                borderColor: palette.quiet,
              }}
            />
            <View style={{ flex: 1 }}>
              <Line
                name={WORK_NAME[work]}
                text={`${distanceM > 0 ? `${metresText(distanceM, unit)}, ` : ''}${minutesText(
                  ends.map((end) => end.totals.byWork.find((row) => row.work === work)?.durationS ?? 0),
                )}`}
              />
            </View>
          </View>
        ))}
        {last.totals.byPace.map(({ pace, reps, distanceM }) => (
          <Line
            key={pace}
            name={`${reps} × ${pace === '' ? 'no pace' : `@${pace}`}`}
            text={`${metresText(distanceM, unit)}, ${minutesText(
              ends.map((end) => end.totals.byPace.find((row) => row.pace === pace)?.durationS ?? 0),
            )}`}
          />
        ))}
        <Line name="from first start to last finish" text={minutesText(ends.map((end) => end.totals.trackS))} />
        <Line
          name="in all"
          text={`${metresText(last.totals.distanceM, unit)}, ${minutesText(whole)}${last.totals.isGuessed ? ', some of it a guess' : ''}`}
        />
        {startTime !== undefined && startTime !== '' && (
          <Line
            name={`from ${startTime}`}
            text={`over at ${clockAfter(startTime, Math.min(...whole))}${
              minutes(Math.max(...whole)) === minutes(Math.min(...whole))
                ? ''
                : ` for ${first.name}, ${clockAfter(startTime, Math.max(...whole))} for ${last.name}`
            }`}
          />
        )}
        {ends.some((end) => end.shareOfLimit > 0) && <Line name="of a flat-out run" text={percentText(ends)} />}
      </View>
      {first !== last && (
        <Text as="small" quiet>
          {`The shorter times are those of ${first.name}, the longer those of ${last.name}.`}
        </Text>
      )}
    </View>
  );
}
