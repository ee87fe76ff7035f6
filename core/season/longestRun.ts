/** How long a long run may get: by the clock for the slowest of a group, and by the weeks there are. */
import type { SquadMember } from '../squad/athlete';
import { peaksOf, phasesOf } from './phases';
import { daysOf, type LongRun, type SeasonPlan, type SeasonWeek } from './season';

/** Longer than this on the feet costs more than it brings; common coaching practice. */
const MOST_MIN = { usual: 150, marathon: 180 } as const;
/** A long run of so many kilometres is one for a marathon. */
const MARATHON_KM = 30;
/** From so many kilometres or minutes on, the race itself asks for the long run. */
const ASKED_FOR = { km: 20, min: 120 } as const;
/** A longest run this near to the usual one is as good. */
const NEAR = 0.9;

/** `2:30 h`, from minutes. */
export const minutesText = (minutes: number): string =>
  `${Math.floor(Math.round(minutes) / 60)}:${String(Math.round(minutes) % 60).padStart(2, '0')} h`;

/** The most kilometres of a long run at an easy pace, and the minutes that are enough. */
export function mostLongRun(
  { most, unit }: Pick<LongRun, 'most' | 'unit'>,
  minPerKm: number,
): { km: number; minutes: number } {
  const isMarathon = unit === 'km' ? most >= MARATHON_KM : most > MOST_MIN.usual;
  const minutes = isMarathon ? MOST_MIN.marathon : MOST_MIN.usual;
  return { km: Math.floor((minutes / minPerKm) * 2) / 2, minutes };
}

export type Slowest = { athlete: SquadMember; minPerKm: number };

/** Who of some athletes runs easy the slowest; undefined where nobody's pace is known. */
export const slowestOf = (
  athletes: readonly SquadMember[],
  easyMinPerKm: (athlete: SquadMember) => number | undefined,
): Slowest | undefined =>
  athletes
    .flatMap((athlete) => {
      const minPerKm = easyMinPerKm(athlete);
      return minPerKm === undefined ? [] : [{ athlete, minPerKm }];
    })
    .sort((a, b) => b.minPerKm - a.minPerKm)[0];

/** A long run for a group whose slowest runs a kilometre in so many minutes. */
export function longRunFor(longRun: LongRun, minPerKm: number): LongRun {
  if (longRun.unit !== 'km') return longRun;
  const { km } = mostLongRun(longRun, minPerKm);
  return { ...longRun, most: Math.min(longRun.most, km), from: Math.min(longRun.from, km) };
}

/** What a season is too short for, each in a sentence. */
export function tooShortFor(season: SeasonPlan, weeks: readonly SeasonWeek[]): string[] {
  const left = phasesOf(season).leftOut.map(({ text }) => text);
  const { longRun } = season;
  const [peak] = peaksOf(season);
  if (!longRun || !peak || longRun.most < ASKED_FOR[longRun.unit]) return left;
  const before = daysOf(weeks).filter(({ date }) => date < peak.date);
  const longest = Math.max(0, ...before.map(({ kind, amount }) => (kind === 'long' && amount ? amount.amount : 0)));
  return longest >= longRun.most * NEAR
    ? left
    : [
        ...left,
        `The longest run before ${peak.name} comes to ${longest} ${longRun.unit}, where ${longRun.most} is usual: begin earlier, or race a shorter distance.`,
      ];
}
