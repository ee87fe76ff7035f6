import { subDays } from 'date-fns/subDays';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { timeFor } from '@core/fitness/curve';
import { progressOf, type ProgressPoint } from '@core/fitness/progress';
import { isUsable } from '@core/fitness/weighing';
import type { AthletePaces } from '@core/squad/athletePaces';
import type { Goal, SquadMember } from '@core/squad/athlete';
import { formatDistance, MILE_M } from '@core/units/distance';
import { formatDelta, formatExactTime, formatMarkTime, formatTime } from '@core/units/time';
import { DateLines } from '../ui/charts';
import { Choice } from '../ui/Choice';
import { WhenField } from '../ui/WhenField';
import { dayName, today } from '../ui/days';
import { PrimaryButton } from '../ui/PrimaryButton';
import { TextField } from '../ui/TextField';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Words } from '../ui/Words';
import { emptyMark, markIn, markProblems, type MarkFields, type MarkProblems } from './athleteForm';

const EVENTS = [800, 1500, MILE_M, 3000, 5000, 10_000].map((distanceM) => ({
  value: String(distanceM),
  text: formatDistance(distanceM),
}));
const SEASON_DAYS = 300;

function GoalForm({ goal, save, cancel }: { goal: Goal | undefined; save: (goal: Goal) => void; cancel: () => void }) {
  const palette = usePalette();
  const [fields, setFields] = useState<MarkFields>({
    ...emptyMark(goal?.date ?? ''),
    ...(goal
      ? { distance: formatDistance(goal.distanceM), time: formatExactTime(goal.timeS), note: goal.race ?? '' }
      : {}),
  });
  const [problems, setProblems] = useState<MarkProblems>({});
  const change = (part: Partial<MarkFields>) => setFields({ ...fields, ...part });
  const submit = () => {
    // A goal lies ahead: only that it has a day is asked of it.
    const { date: _date, ...wrong } = markProblems(fields, '9999-12-31');
    const found = { ...wrong, ...(fields.date === '' ? { date: 'A date is needed.' } : {}) };
    setProblems(found);
    const mark = markIn(fields);
    if (!mark || Object.keys(found).length > 0) return;
    const { distanceM, timeS, date, note } = mark;
    save({ distanceM, timeS, date, ...(note === undefined ? {} : { race: note.slice(0, 80) }) });
  };
  return (
    <View style={{ gap: SPACE.m, padding: SPACE.m, borderRadius: RADIUS, backgroundColor: palette.raised }}>
      <View style={{ flexDirection: 'row', gap: SPACE.m }}>
        <View style={{ flex: 1 }}>
          <TextField
            label="Goal distance"
            value={fields.distance}
            onChange={(distance) => change({ distance })}
            error={problems.distance}
            placeholder="1500"
          />
        </View>
        <View style={{ flex: 1 }}>
          <TextField
            label="Goal time"
            value={fields.time}
            onChange={(time) => change({ time })}
            error={problems.time}
            placeholder="4:20"
          />
        </View>
      </View>
      <WhenField
        type="date"
        label="Race day"
        value={fields.date}
        onChange={(date) => change({ date })}
        error={problems.date}
      />
      <TextField
        label="Which race"
        value={fields.note}
        onChange={(note) => change({ note })}
        error={problems.note}
        placeholder="if it has a name"
      />
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <PrimaryButton main icon="check" onPress={submit}>
          Save goal
        </PrimaryButton>
        <PrimaryButton onPress={cancel}>Cancel</PrimaryButton>
      </View>
    </View>
  );
}

function goalText({ distanceM, timeS, date, race }: Goal): string {
  const days = differenceInCalendarDays(parseISO(date), new Date());
  const when =
    days > 13 ? `in ${Math.round(days / 7)} weeks` : days > 0 ? `in ${days} days` : days === 0 ? 'today' : 'over';
  const name = race === undefined ? '' : `${race}: `;
  return `${name}${formatDistance(distanceM)} in ${formatMarkTime(timeS)}, ${dayName(date)} (${when})`;
}

/** The drawing in words. */
function progressAbout(
  name: string,
  distanceM: number,
  points: readonly ProgressPoint[],
  goal: { timeS: number } | undefined,
): string {
  const [first, latest] = [points[0], points.at(-1)];
  if (!first || !latest) return name;
  return `${name} over ${formatDistance(distanceM)}: ${formatTime(first.timeS)} on ${first.date}, ${formatTime(latest.timeS)} on ${latest.date}${goal ? `; the goal is worth ${formatTime(goal.timeS)}` : ''}.`;
}

type Props = {
  athlete: SquadMember;
  paces: AthletePaces;
  put: (athlete: SquadMember, says: string) => Promise<boolean>;
};

/** The goal race, and how the marks have come along over the season. */
export function AthleteSeason({ athlete, paces, put }: Props) {
  const { goal, marks } = athlete;
  const [isOpen, setOpen] = useState(false);
  const [event, setEvent] = useState('5000');
  const distanceM = Number(event);
  const points = useMemo(() => {
    const days = marks.filter(isUsable).map(({ date }) => date);
    const [first = today()] = [...days].sort();
    const yearAgo = format(subDays(new Date(), SEASON_DAYS), 'yyyy-MM-dd');
    return progressOf(marks, distanceM, first > yearAgo ? first : yearAgo, today());
  }, [marks, distanceM]);
  const [first] = points;
  const latest = points.at(-1);
  const markDays = useMemo(() => new Set(marks.filter(isUsable).map(({ date }) => date)), [marks]);
  const goalPoint = goal && paces.goalCurve && { date: goal.date, timeS: timeFor(paces.goalCurve, distanceM) };
  const toGo = goal && paces.curve ? goal.timeS - timeFor(paces.curve, goal.distanceM) : undefined;
  return (
    <View style={{ gap: SPACE.l }}>
      <View style={{ gap: SPACE.s }}>
        <Words as="heading" level={2}>
          Goal race
        </Words>
        <Words quiet={!goal}>
          {goal ? goalText(goal) : 'No goal yet. With one, every pace is shown now and at the goal.'}
        </Words>
        {goal && toGo !== undefined && (
          <Words as="small" quiet>
            {toGo < 0
              ? `${formatTime(-toGo, 1)} s to find over ${formatDistance(goal.distanceM)}, ${formatTime((-toGo * 400) / goal.distanceM, 1)} s a lap.`
              : 'The marks say this goal is within reach today.'}
          </Words>
        )}
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
                  void put(rest, 'The goal is taken off.');
                }}
              >
                Take it off
              </PrimaryButton>
            )}
          </View>
        )}
      </View>
      <View style={{ gap: SPACE.s }}>
        <Words as="heading" level={2}>
          How the marks have come along
        </Words>
        <Choice label="Worth over" options={EVENTS} value={event} onChange={setEvent} />
        {first && latest ? (
          <>
            <DateLines
              about={progressAbout(athlete.name, distanceM, points, goalPoint)}
              lines={[
                { points: points.map(({ date, timeS, errorS }) => ({ date, value: timeS - errorS })), kind: 'band' },
                { points: points.map(({ date, timeS, errorS }) => ({ date, value: timeS + errorS })), kind: 'band' },
                {
                  points: points.map(({ date, timeS }) => ({ date, value: timeS, isMarked: markDays.has(date) })),
                  kind: 'main',
                },
                ...(goalPoint
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
              text={(timeS) => formatTime(timeS)}
              steps={[1, 2, 5, 10, 15, 30, 60, 120, 300]}
              isUpsideDown
            />
            <Words as="small" quiet>
              {`${formatTime(latest.timeS)} today (± ${formatTime(Math.max(1, latest.errorS))} s), ${formatDelta(latest.timeS - first.timeS)} s since ${dayName(first.date)}. Each dot is a day with a mark; the thin lines are one standard error.`}
            </Words>
          </>
        ) : (
          <Words quiet>No mark yet to draw this from.</Words>
        )}
      </View>
    </View>
  );
}
