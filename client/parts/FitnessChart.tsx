import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { timeFor } from '@core/fitness/curve';
import type { MarkKind } from '@core/fitness/mark';
import { progressOf, type ProgressPoint } from '@core/fitness/progress';
import type { MarkWorth } from '@core/fitness/trend';
import type { SquadMember } from '@core/squad/athlete';
import type { AthletePaces } from '@core/squad/athletePaces';
import { formatDistance, MILE_M } from '@core/units/distance';
import { formatDelta, formatTime } from '@core/units/time';
import { DateLines } from '../ui/charts/Charts';
import { Choice } from '../ui/Choice';
import { dayName, today } from '../ui/days';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import { trendText } from '../data/trendText';
import { seasonFrom, useTrend } from '../data/useTrend';
import { KIND_WORDS } from '../data/athleteText';

const EVENTS = [800, 1500, MILE_M, 3000, 5000, 10_000].map((distanceM) => ({
  value: String(distanceM),
  text: formatDistance(distanceM),
}));

const LOOKS: Record<MarkKind, 'filled' | 'square' | 'pale'> = {
  race: 'filled',
  trial: 'square',
  session: 'pale',
  estimate: 'pale',
};

/** The drawing in words. */
function chartAbout(
  name: string,
  distanceM: number,
  points: readonly ProgressPoint[],
  worths: readonly MarkWorth[],
  goal: { timeS: number } | undefined,
): string {
  const [first, latest] = [points[0], points.at(-1)];
  if (!first || !latest) return name;
  const marks = worths.map(
    ({ kind, timeS, date }) => `${KIND_WORDS[kind]} worth ${formatTime(timeS)} on ${dayName(date)}`,
  );
  return `${name} over ${formatDistance(distanceM)}: ${formatTime(first.timeS)} on ${dayName(first.date)}, ${formatTime(latest.timeS)} today${goal ? `; the goal is worth ${formatTime(goal.timeS)}` : ''}. ${marks.join(', ')}.`;
}

/** Fitness over the season: races, trials, what sessions said, and the goal, each with how sure it is, over one distance. */
export function FitnessChart({ athlete, paces }: { athlete: SquadMember; paces: AthletePaces }) {
  const { goal, marks } = athlete;
  const [event, setEvent] = useState(EVENTS.find(({ value }) => Number(value) === goal?.distanceM)?.value ?? '5000');
  const distanceM = Number(event);
  const { worths, trend } = useTrend(paces, distanceM);
  const points = useMemo(() => {
    const [first = today()] = marks.map(({ date }) => date).sort();
    const from = seasonFrom();
    return progressOf(marks, distanceM, first > from ? first : from, today());
  }, [marks, distanceM]);
  const [first, latest] = [points[0], points.at(-1)];
  const goalPoint = goal && paces.goalCurve && { date: goal.date, timeS: timeFor(paces.goalCurve, distanceM) };
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="heading" level={2}>
        How fitness has come along
      </Text>
      <Choice label="Worth over" options={EVENTS} value={event} onChange={setEvent} />
      {first && latest ? (
        <>
          <DateLines
            description={chartAbout(athlete.name, distanceM, points, worths, goalPoint)}
            lines={[
              { points: points.map(({ date, timeS, errorS }) => ({ date, value: timeS - errorS })), kind: 'band' },
              { points: points.map(({ date, timeS, errorS }) => ({ date, value: timeS + errorS })), kind: 'band' },
              { points: points.map(({ date, timeS }) => ({ date, value: timeS, isMarked: false })), kind: 'main' },
              ...(goalPoint && goalPoint.date > latest.date
                ? [
                    {
                      points: [
                        { date: latest.date, value: latest.timeS },
                        { date: goalPoint.date, value: goalPoint.timeS },
                      ],
                      kind: 'goal' as const,
                    },
                  ]
                : []),
            ]}
            dots={worths.map(({ date, kind, timeS, errorS }) => ({
              date,
              value: timeS,
              low: timeS - errorS,
              high: timeS + errorS,
              look: LOOKS[kind],
            }))}
            text={formatTime}
            steps={[1, 2, 5, 10, 15, 30, 60, 120, 300]}
            isUpsideDown
          />
          <Text as="label" quiet>
            Dots: races round, trials square, what a session or the coach said pale, each with one standard error. The
            line is all of them together, the thin lines its error, the dashed one the way to the goal.
          </Text>
          <Text as="small">
            {`${formatTime(latest.timeS)} today (± ${formatTime(Math.max(1, latest.errorS))} s), ${formatDelta(latest.timeS - first.timeS)} s since ${dayName(first.date)}.${trend ? ` By the marks: ${trendText(trend, { distanceM, timeS: latest.timeS })}.` : ''}`}
          </Text>
        </>
      ) : (
        <Text quiet>No mark yet to draw this from.</Text>
      )}
    </View>
  );
}
