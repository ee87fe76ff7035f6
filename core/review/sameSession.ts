/** Which sessions are comparable, and what has changed between two of them. */
import { heatIndexOf } from '../squad/heat';
import { expand } from '../session/expand';
import type { SessionTree } from '../session/session';
import { isTimedRep } from '../targets/targetsFor';
import type { Conditions } from '../run/events';
import { repLabel, type Plan, type PlannedRep } from '../run/plan';
import { mean } from '../units/mean';
import { kindKey } from './kinds';

/** Reps of one kind, and how many of them a session has. */
export type KindCount = Pick<PlannedRep, 'role' | 'distanceM' | 'durationS' | 'pace'> & { count: number };

/** Counts within this share of each other are the same session; recoveries may differ, and are shown. */
const COUNT_SHARE = 0.2;

/** Counts reps by kind, in the order the kinds first come. */
export function kindsOfReps(reps: readonly Omit<KindCount, 'count'>[]): KindCount[] {
  const kinds = new Map<string, KindCount>();
  for (const { role, distanceM, durationS, pace } of reps) {
    const rep = {
      role,
      ...(distanceM === undefined ? {} : { distanceM }),
      ...(durationS === undefined ? {} : { durationS }),
      ...(pace === undefined ? {} : { pace }),
    };
    const key = kindKey(rep);
    const kind = kinds.get(key) ?? { ...rep, count: 0 };
    kinds.set(key, { ...kind, count: kind.count + 1 });
  }
  return [...kinds.values()];
}

/** What a session is made of that is written but not run yet. */
export const kindsOfSession = (session: SessionTree): KindCount[] =>
  kindsOfReps(
    expand(session).flatMap((leg) => {
      if (!isTimedRep(leg)) return [];
      const { distanceM, durationS, pace } = leg;
      return [
        {
          role: leg.role === 'finish' ? ('finish' as const) : ('main' as const),
          ...(distanceM === undefined ? {} : { distanceM }),
          ...(durationS === undefined ? {} : { durationS }),
          ...(pace === undefined ? {} : { pace }),
        },
      ];
    }),
  );

/** What a session is made of, by the group with most athletes. */
export function kindsOfPlan({ groups }: Plan): KindCount[] {
  const largest = groups.reduce<Plan['groups'][number] | undefined>(
    (most, group) => (most && most.athletes.length >= group.athletes.length ? most : group),
    undefined,
  );
  return kindsOfReps(largest?.reps ?? []);
}

/** By which sessions of the same kinds are found, whatever the counts. */
export const kindsKey = (kinds: readonly KindCount[]): string => kinds.map(kindKey).sort().join('; ');

/** `8 × 400 @5k, 4 × 200 @mile` */
export const kindsText = (kinds: readonly KindCount[]): string =>
  kinds.map((kind) => (kind.count === 1 ? repLabel(kind) : `${kind.count} × ${repLabel(kind)}`)).join(', ');

/** True if two sessions have the same kinds in counts that are near each other. */
export function isAlike(a: readonly KindCount[], b: readonly KindCount[]): boolean {
  const counts = new Map(b.map((kind) => [kindKey(kind), kind.count]));
  return (
    a.length === b.length &&
    a.every((kind) => {
      const other = counts.get(kindKey(kind));
      return other !== undefined && Math.abs(other - kind.count) <= COUNT_SHARE * Math.max(other, kind.count) + 1e-9;
    })
  );
}

/** One athlete in one run of a session: seconds over the distance or metres in the time, on average over the reps of a kind that count. */
export type RunMean = { athleteId: string; kind: string; meanS: number; reps: number };

/** One run of the session, for comparison. */
export type ComparedRun = {
  means: readonly RunMean[];
  /** The effort of each athlete, told of the session or of its last rep. */
  efforts: Readonly<Record<string, number>>;
  restS?: number;
  conditions?: Conditions;
};

/** Quicker, as fast or slower; where the effort differs, for less or for more of it. */
export type ChangeVerdict =
  | 'quicker'
  | 'quicker-for-less'
  | 'quicker-for-more'
  | 'same'
  | 'same-for-less'
  | 'same-for-more'
  | 'slower'
  | 'slower-for-less'
  | 'slower-for-more';

export type Change = {
  /** How many athletes ran both; nothing is said of fewer than one. */
  athletes: number;
  /** How much quicker, in percent, over the reps both ran; above 0 is quicker. */
  quickerPercent?: number;
  /** How much higher the effort. */
  effortBy?: number;
  restByS?: number;
  /** Conditions that differed: said before any conclusion. */
  hotterC?: number;
  windChanged?: { from: NonNullable<Conditions['wind']>; to: NonNullable<Conditions['wind']> };
  surfaceChanged?: { from: NonNullable<Conditions['surface']>; to: NonNullable<Conditions['surface']> };
  verdict?: ChangeVerdict;
};

/**
 * Differences within chance count as the same: one and a half standard deviations of one athlete's day, less the more ran both. The
 * figures are this project's own.
 */
const SAME = { percent: 1.5, effort: 1.3 };
/** Differences in conditions worth mentioning. */
const HOTTER_C = 4;

function verdictOf(quicker: number | undefined, effort: number | undefined, people: number): ChangeVerdict | undefined {
  if (quicker === undefined) return undefined;
  const narrower = Math.sqrt(Math.max(1, people));
  const percent = SAME.percent / narrower;
  const pace = quicker >= percent ? 'quicker' : quicker <= -percent ? 'slower' : 'same';
  if (effort === undefined || Math.abs(effort) < SAME.effort / narrower) return pace;
  return effort < 0 ? `${pace}-for-less` : `${pace}-for-more`;
}

function hotness({ temperatureC, humidityPct }: Conditions): number | undefined {
  if (temperatureC === undefined) return undefined;
  if (humidityPct === undefined) return temperatureC;
  const index = heatIndexOf({ temperatureC, humidityPct });
  return index.kind === 'index' ? index.indexC : temperatureC;
}

/** What has changed from `before` to `now`, over the athletes and kinds that both have. */
export function compareRuns(before: ComparedRun, now: ComparedRun): Change {
  const earlier = new Map(before.means.map((mean) => [`${mean.athleteId} ${mean.kind}`, mean]));
  const both = now.means.flatMap((mean) => {
    const other = earlier.get(`${mean.athleteId} ${mean.kind}`);
    return other ? [{ athleteId: mean.athleteId, quicker: (1 - mean.meanS / other.meanS) * 100, reps: mean.reps }] : [];
  });
  const ids = new Set(both.map(({ athleteId }) => athleteId));
  const reps = both.reduce((sum, mean) => sum + mean.reps, 0);
  const quicker = reps > 0 ? both.reduce((sum, mean) => sum + mean.quicker * mean.reps, 0) / reps : undefined;
  const efforts = [...ids].flatMap((id) => {
    const [from, to] = [before.efforts[id], now.efforts[id]];
    return from === undefined || to === undefined ? [] : [to - from];
  });
  const effortBy = efforts.length > 0 ? mean(efforts) : undefined;
  const [was, is] = [before.conditions ?? {}, now.conditions ?? {}];
  const [wasHot, isHot] = [hotness(was), hotness(is)];
  const verdict = verdictOf(quicker, effortBy, ids.size);
  return {
    athletes: ids.size,
    ...(quicker === undefined ? {} : { quickerPercent: quicker }),
    ...(effortBy === undefined ? {} : { effortBy }),
    ...(before.restS === undefined || now.restS === undefined ? {} : { restByS: now.restS - before.restS }),
    ...(wasHot !== undefined && isHot !== undefined && Math.abs(isHot - wasHot) >= HOTTER_C
      ? { hotterC: isHot - wasHot }
      : {}),
    ...(was.wind && is.wind && was.wind !== is.wind ? { windChanged: { from: was.wind, to: is.wind } } : {}),
    ...(was.surface && is.surface && was.surface !== is.surface
      ? { surfaceChanged: { from: was.surface, to: is.surface } }
      : {}),
    ...(verdict ? { verdict } : {}),
  };
}
