/** Athletes to take care of on a day: the reasons, and how far each holds them back. Common coaching practice; a doctor's word comes first. */
import type { Flag, NextDay, StopReason } from '../run/events';
import { YOUNG_BY_DEFAULT } from '../squad/club';
import { ageInYear, weeksRunning, YOUNG_UNDER, type Athlete } from '../squad/athlete';
import { daysBetween } from '../units/dayNumber';
import type { UsualSpread } from './oddRep';

/**
 * Reasons for care. `pain`, `unwell`, `niggle`: flagged on a rep. `stopped`: no reason given yet. `spent`: nothing left where
 * something was to be. `legs`: heavy or sore. `creeping`: the same work feels harder and harder. `easing`: back from a break.
 */
export const CARE_REASONS = [
  'pain',
  'unwell',
  'niggle',
  'stopped',
  'stitch',
  'legs',
  'spent',
  'creeping',
  'easing',
  'young',
  'new',
] as const;
export type CareReason = (typeof CARE_REASONS)[number];

/** `hold`: no step on. `watch`: a rep more at most. `mark`: only shown. */
export type CareGrade = 'hold' | 'watch' | 'mark';

/** One thing to know of an athlete; `value` is the rep, the reported effort, or the points by which effort has crept up. */
export type CareEntry = {
  reason: CareReason;
  grade: CareGrade;
  /** The day it was reported (YYYY-MM-DD), and the session. */
  date?: string;
  runId?: string;
  value?: number;
  legs?: NextDay;
  /** A flag or a stop: they were pulled up by it. */
  isStop?: true;
  /** Of `easing`: not back yet. */
  isInjured?: true;
};

/** An athlete as far as care goes; `status` as it is on the day. */
export type CarePerson = Pick<Athlete, 'bornYear' | 'runningSince' | 'status' | 'wellOn'>;

/** Facts of one session that matter for one athlete's care. */
export type CareRecord = {
  athleteId: string;
  runId: string;
  date: string;
  /** Reps from 1. */
  flags: { flag: Flag; rep: number }[];
  isStopped?: true;
  stopReason?: StopReason;
  /** The rep they stopped in or after, from 1. */
  stopRep?: number;
  legs?: NextDay;
  lastEffort?: number;
  meantLast?: number;
};

/** Points of effort by which the same work has lately felt harder; and the session it began with. */
export type Creep = { by: number; date: string };

/** Facts of one athlete up to a day: their sessions, whether effort has crept up, and how evenly they usually run. */
export type CareKnown = { records: CareRecord[]; creep?: Creep; usual?: UsualSpread };

/** Days of sessions to look back on. */
export const CARE_DAYS = 84;

const DAYS = { health: 10, legs: 7, spent: 10, unknownStop: 28 };
/** Reported efforts from which nothing is left, and the highest meant effort that did not ask for it. */
export const NOTHING_LEFT = 9.5;
const MOST_MEANT = 9;
/** True if nothing was left at the end, though something was meant to be. */
export const hadNothingLeft = (told: number | undefined, meant: number | undefined): boolean =>
  told !== undefined && told >= NOTHING_LEFT && meant !== undefined && meant <= MOST_MEANT;
/** Weeks of regular running that count as the first. */
const FIRST_WEEKS = 12;

/** A standing condition: a mark and a limit, never news. */
export const isStanding = ({ reason }: Pick<CareEntry, 'reason'>): boolean => reason === 'young' || reason === 'new';

/** Reasons with which nobody should run before they are well: the usual caution goes with them. */
export const isAlarm = ({ reason }: Pick<CareEntry, 'reason'>): boolean => reason === 'pain' || reason === 'unwell';

function ofHealth({ date, runId, flags, isStopped, stopReason, stopRep }: CareRecord, wellOn = ''): CareEntry[] {
  if (date <= wellOn) return [];
  const stamp = { grade: 'hold' as const, date, runId };
  const said = flags.flatMap(({ flag, rep }): CareEntry[] =>
    flag === 'stitch' ? [] : [{ ...stamp, reason: flag, value: rep }],
  );
  const stop: CareEntry[] =
    isStopped && stopReason === 'pain'
      ? [{ ...stamp, reason: 'pain', isStop: true, ...(stopRep === undefined ? {} : { value: stopRep }) }]
      : [];
  // One entry a reason: a stop outweighs the flag before it.
  return [...stop, ...said].filter(({ reason }, i, all) => all.findIndex((entry) => entry.reason === reason) === i);
}

function ofStop({ date, runId, isStopped, stopReason, stopRep }: CareRecord): CareEntry[] {
  if (!isStopped) return [];
  const entry = { grade: 'hold' as const, date, runId, isStop: true as const };
  const value = stopRep === undefined ? {} : { value: stopRep };
  if (stopReason === undefined) return [{ ...entry, reason: 'stopped', ...value }];
  if (stopReason === 'stitch') return [{ ...entry, reason: 'stitch', ...value }];
  return stopReason === 'spent' ? [{ ...entry, reason: 'spent', value: 10 }] : [];
}

const ofEffort = ({ date, runId, lastEffort, meantLast }: CareRecord): CareEntry[] =>
  hadNothingLeft(lastEffort, meantLast) ? [{ reason: 'spent', grade: 'hold', date, runId, value: lastEffort }] : [];

/** Heavy or sore legs count until the next answer, or for a week. */
function ofLegs(records: readonly CareRecord[], day: string): CareEntry[] {
  const last = records.findLast(({ legs }) => legs !== undefined);
  if (!last || last.legs === 'fresh' || daysBetween(last.date, day) > DAYS.legs) return [];
  const { date, runId, legs } = last;
  return [{ reason: 'legs', grade: 'hold', date, runId, ...(legs ? { legs } : {}) }];
}

/** The youngest are watched; who is young by the club's age alone is marked. */
function ofAge(age: number | undefined, youngUnder: number): CareEntry[] {
  if (age === undefined) return [];
  if (age < YOUNG_UNDER) return [{ reason: 'young', grade: 'watch', value: YOUNG_UNDER }];
  return age < youngUnder ? [{ reason: 'young', grade: 'mark', value: youngUnder }] : [];
}

const since = (record: CareRecord, day: string) => daysBetween(record.date, day);

/**
 * Everything to know about an athlete on a day (YYYY-MM-DD), the gravest first. Pain, niggles and illness up to the day they were well
 * again are over.
 * @param records theirs, in any order; those after the day do not count. @param more.creep see creepingEffort(). @param more.youngUnder see Club.
 */
export function careFor(
  person: CarePerson,
  records: readonly CareRecord[],
  day: string,
  { creep, youngUnder = YOUNG_BY_DEFAULT }: { creep?: Creep | undefined; youngUnder?: number | undefined } = {},
): CareEntry[] {
  const before = records.filter(({ date }) => date <= day).sort((a, b) => a.date.localeCompare(b.date));
  const last = before.at(-1);
  const entries = before.flatMap((record): CareEntry[] => [
    ...(since(record, day) <= DAYS.health ? ofHealth(record, person.wellOn) : []),
    ...ofStop(record).filter(({ reason }) =>
      reason === 'stopped'
        ? since(record, day) <= DAYS.unknownStop
        : reason === 'stitch'
          ? record === last
          : since(record, day) <= DAYS.spent,
    ),
    ...(since(record, day) <= DAYS.spent ? ofEffort(record) : []),
  ]);
  const standing: CareEntry[] = [
    ...(person.status === 'easing' || person.status === 'injured'
      ? [
          {
            reason: 'easing' as const,
            grade: 'hold' as const,
            ...(person.status === 'injured' ? { isInjured: true as const } : {}),
          },
        ]
      : []),
    ...ofAge(ageInYear(person, day), youngUnder),
    ...((weeksRunning(person, day) ?? FIRST_WEEKS) < FIRST_WEEKS
      ? [{ reason: 'new' as const, grade: 'watch' as const }]
      : []),
  ];
  const all = [
    ...entries,
    ...ofLegs(before, day),
    ...(creep ? [{ reason: 'creeping' as const, grade: 'hold' as const, date: creep.date, value: creep.by }] : []),
    ...standing,
  ];
  // The latest of each reason stands for all of it.
  const latest = new Map<CareReason, CareEntry>();
  for (const entry of all) {
    const known = latest.get(entry.reason);
    if (!known || (entry.date ?? '') >= (known.date ?? '')) latest.set(entry.reason, entry);
  }
  return CARE_REASONS.flatMap((reason) => latest.get(reason) ?? []);
}

/** The graver of their grades; undefined without entries. */
export const gradeOf = (entries: readonly CareEntry[]): CareGrade | undefined =>
  (['hold', 'watch', 'mark'] as const).find((grade) => entries.some((entry) => entry.grade === grade));
