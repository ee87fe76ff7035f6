/** Many sessions week by week, for one athlete or a group, and the squad athlete by athlete. */
import type { PaceMetres, RanAthlete, RunHead } from './history';
import { loadOf } from './load';
import { grouped } from '../units/grouped';
import { known } from '../units/known';
import { mean, meanOfKnown, variance } from '../units/mean';
import { dayNumber, daysAfter, weekdayOf } from '../units/dayNumber';

/** The Monday of a day's week. */
export const mondayOf = (date: string): string => daysAfter(date, -weekdayOf(dayNumber(date)));

/** A session, and the athlete's part of it; none where they were not there. */
export type SessionOfWeek = { run: RunHead; part?: RanAthlete };

export type WeekOfStory = {
  /** Its Monday, YYYY-MM-DD. */
  from: string;
  sessions: SessionOfWeek[];
  attended: number;
};

/** Every week from the first to the last day, the latest first, also those without a session. */
export function weeksOf(
  { runs, athletes }: { runs: readonly RunHead[]; athletes: readonly RanAthlete[] },
  { from, to }: { from: string; to: string },
): WeekOfStory[] {
  const parts = new Map(athletes.filter(({ isThere }) => isThere).map((part) => [part.runId, part]));
  const byWeek = new Map<string, SessionOfWeek[]>();
  for (const run of runs) {
    const monday = mondayOf(run.date);
    const part = parts.get(run.runId);
    const sessions = byWeek.get(monday) ?? [];
    sessions.push({ run, ...(part ? { part } : {}) });
    byWeek.set(monday, sessions);
  }
  const weeks: WeekOfStory[] = [];
  for (let monday = mondayOf(to); monday >= mondayOf(from); monday = daysAfter(monday, -7)) {
    const sessions = byWeek.get(monday) ?? [];
    weeks.push({ from: monday, sessions, attended: sessions.filter(({ part }) => part).length });
  }
  return weeks;
}

/** A day of easy running or a long run: minutes at an effort of 1 to 10. */
export type EasyRun = { athleteId: string; date: string; minutes: number; effort: number };

/** A week's totals of recorded sessions and easy days; `load` is effort × minutes. */
export type WeekLoad = {
  from: string;
  load: number;
  plannedLoad: number;
  minutes: number;
  hardMinutes: number;
  plannedHardMinutes: number;
  hardDays: number;
  /** By pace as written, the most metres first; empty by effort. */
  metres: { pace: string; distanceM: number }[];
  /** Some of the load is by a predicted effort. */
  hasPredicted: boolean;
  /** Recorded sessions are more than a third above the mean of the weeks before, and beyond what they vary by. */
  isJump: boolean;
};

/** Fewer hard minutes than this make no hard day. */
const HARD_MINUTES = 3;
const JUMP = { most: 8, least: 4, share: 4 / 3, sds: 2 };

/**
 * Load week by week, the oldest first. Of several athletes it is the mean over those who ran anything in that time.
 * @param metres by pace, of the same athletes.
 * @param easy their easy days; one with a recorded session on it counts as that.
 */
export function loadByWeek(
  { runs, athletes }: { runs: readonly RunHead[]; athletes: readonly RanAthlete[] },
  metres: readonly PaceMetres[],
  window: { from: string; to: string },
  easy: readonly EasyRun[] = [],
): WeekLoad[] {
  const dates = new Map(runs.map(({ runId, date }) => [runId, date]));
  const ran = athletes.filter(({ isThere, finished }) => isThere && finished > 0);
  const ranIds = new Set(ran.map(({ athleteId }) => athleteId));
  const people = Math.max(1, ranIds.size);
  const recorded = new Set(ran.map(({ athleteId, runId }) => `${athleteId} ${dates.get(runId) ?? ''}`));
  const easyIn = grouped(
    easy.filter(({ athleteId, date }) => ranIds.has(athleteId) && !recorded.has(`${athleteId} ${date}`)),
    ({ date }) => mondayOf(date),
  );
  const mondays = new Map(
    [...new Set([...dates.values(), ...metres.map(({ date }) => date)])].map((date) => [date, mondayOf(date)]),
  );
  const ranIn = grouped(ran, ({ runId }) => mondays.get(dates.get(runId) ?? '') ?? '');
  const metresIn = grouped(metres, ({ date }) => mondays.get(date) ?? '');
  const weeks = weeksOf({ runs, athletes: [] }, window).reverse();
  const loads = weeks.map(({ from }): WeekLoad & { recordedLoad: number } => {
    const ownAthletes = ranIn.get(from) ?? [];
    const sum = (of: (part: RanAthlete) => number) => ownAthletes.reduce((total, part) => total + of(part), 0) / people;
    const hardDays = new Set(
      ownAthletes.flatMap((part) =>
        (part.hardMinutes ?? 0) >= HARD_MINUTES ? [`${part.athleteId} ${dates.get(part.runId) ?? ''}`] : [],
      ),
    );
    const byPace = new Map<string, number>();
    for (const { pace, distanceM } of metresIn.get(from) ?? [])
      byPace.set(pace, (byPace.get(pace) ?? 0) + distanceM / people);
    const ownEasy = easyIn.get(from) ?? [];
    const easySum = (of: (day: EasyRun) => number) => ownEasy.reduce((total, day) => total + of(day), 0) / people;
    const easyLoad = easySum(({ minutes, effort }) => minutes * effort);
    const recordedLoad = sum(
      (part) =>
        loadOf({
          minutes: part.minutes ?? 0,
          ...(part.loadEffort === undefined ? {} : { loadEffort: part.loadEffort }),
        }) ?? 0,
    );
    return {
      from,
      recordedLoad,
      load: recordedLoad + easyLoad,
      plannedLoad: sum(({ plannedEffort = 0, plannedMinutes = 0 }) => plannedEffort * plannedMinutes) + easyLoad,
      minutes: sum(({ minutes = 0 }) => minutes) + easySum(({ minutes }) => minutes),
      hardMinutes: sum(({ hardMinutes = 0 }) => hardMinutes),
      plannedHardMinutes: sum(({ plannedHardMinutes = 0 }) => plannedHardMinutes),
      hardDays: hardDays.size / people,
      metres: [...byPace].map(([pace, distanceM]) => ({ pace, distanceM })).sort((a, b) => b.distanceM - a.distanceM),
      hasPredicted: ownAthletes.some(({ effortSource }) => effortSource === 'predicted'),
      isJump: false,
    };
  });
  return loads.map(({ recordedLoad, ...week }, i) => {
    // A season that begins brings its easy days with it: they are no jump.
    const before = loads.slice(Math.max(0, i - JUMP.most), i).map((earlier) => earlier.recordedLoad);
    const usual = before.length > 0 ? mean(before) : 0;
    const most = Math.max(JUMP.share * usual, usual + JUMP.sds * Math.sqrt(variance(before)));
    return { ...week, isJump: before.length >= JUMP.least && usual > 0 && recordedLoad > most };
  });
}

/** One athlete over some weeks, for the squad's table. Nobody's notes are in it. */
export type SquadRow = {
  athleteId: string;
  attended: number;
  of: number;
  /** Share of the reps with a target that were on it. */
  onShare?: number;
  meanPercent?: number;
  evennessPercent?: number;
  fadePercent?: number;
  /** How much higher than meant the last effort was, on average. */
  effortAbove?: number;
};

/** The squad athlete by athlete: who is even, who slips, how hard they found it, who was missing. */
export function squadRows(
  { runs, athletes }: { runs: readonly RunHead[]; athletes: readonly RanAthlete[] },
  ids: readonly string[],
): SquadRow[] {
  return ids.map((athleteId): SquadRow => {
    const parts = athletes.filter((part) => part.athleteId === athleteId && part.isThere);
    const over = (of: (part: RanAthlete) => number | undefined) => meanOfKnown(parts.map(of));
    const judged = parts.reduce((sum, { verdicts: { early, on, late } }) => sum + early + on + late, 0);
    const above = parts.map(({ lastEffort, meantLast }) =>
      lastEffort === undefined || meantLast === undefined ? undefined : lastEffort - meantLast,
    );
    const figures = {
      onShare: judged === 0 ? undefined : parts.reduce((sum, { verdicts }) => sum + verdicts.on, 0) / judged,
      meanPercent: over((part) => part.meanPercent),
      evennessPercent: over((part) => part.evennessPercent),
      fadePercent: over((part) => part.fadePercent),
      effortAbove: meanOfKnown(above),
    };
    return { athleteId, attended: parts.length, of: runs.length, ...known(figures) };
  });
}
