/** The runs of one session side by side: totals, rep for rep, and the change since the run before. */
import { grouped } from '../units/grouped';
import type { RanAthlete, RanRep, SameRun, SameSessions } from './history';
import { kindKey } from './kinds';
import { compareRuns, type Change, type ComparedRun, type RunMean } from './sameSession';
import { meanOfKnown } from '../units/mean';
import { known } from '../units/known';

/** One run, for the squad or for one. Times in seconds. */
export type SideRun = {
  run: SameRun;
  /** Mean of each kind of rep, by its label; where a kind is by the clock, metres. */
  kinds: { label: string; meanS: number; meanM?: number }[];
  /** Rep for rep, on average over those who ran it: time and effort. */
  reps: { place: number; timeS: number; effort?: number }[];
  athletes: number;
  evennessPercent?: number;
  effort?: number;
  restS?: number;
  plannedRestS?: number;
  /** Against the run before it; none for the earliest. */
  change?: Change;
};

const effortOf = ({ sessionEffort, lastEffort }: RanAthlete): number | undefined => sessionEffort ?? lastEffort;

/** Seconds that a rep is compared by: by the clock, those that a kilometre would take. */
const comparedS = ({ timeS, distanceM, coveredM }: RanRep): number | undefined =>
  distanceM !== undefined ? timeS : coveredM === undefined ? undefined : (timeS * 1000) / coveredM;

function compared(reps: readonly RanRep[], athletes: readonly RanAthlete[], run: SameRun): ComparedRun {
  const means = [...grouped(reps, (rep) => `${rep.athleteId} ${kindKey(rep)}`).values()].flatMap((group): RunMean[] => {
    const [first] = group;
    const meanS = meanOfKnown(group.map(comparedS));
    return first && meanS !== undefined
      ? [{ athleteId: first.athleteId, kind: kindKey(first), meanS, reps: group.length }]
      : [];
  });
  const restS = meanOfKnown(reps.map((rep) => rep.restS));
  return {
    means,
    efforts: Object.fromEntries(
      athletes.flatMap((athlete) => {
        const effort = effortOf(athlete);
        return effort === undefined ? [] : [[athlete.athleteId, effort]];
      }),
    ),
    conditions: run.conditions,
    ...(restS === undefined ? {} : { restS }),
  };
}

function sideRun(run: SameRun, reps: readonly RanRep[], athletes: readonly RanAthlete[]): SideRun {
  const there = athletes.filter(({ isThere }) => isThere);
  const figures = {
    evennessPercent: meanOfKnown(there.map((athlete) => athlete.evennessPercent)),
    effort: meanOfKnown(there.map(effortOf)),
    restS: meanOfKnown(reps.map((rep) => rep.restS)),
    plannedRestS: meanOfKnown(reps.map((rep) => rep.plannedRestS)),
  };
  return {
    run,
    athletes: there.length,
    kinds: [...grouped(reps, kindKey)].map(([key, group]) => {
      const meanM = meanOfKnown(group.map(({ coveredM }) => coveredM));
      return {
        label: key.replace(/^(main|finish) /, ''),
        meanS: meanOfKnown(group.map(({ timeS }) => timeS)) ?? 0,
        ...(meanM === undefined ? {} : { meanM }),
      };
    }),
    reps: [...grouped(reps, ({ place }) => String(place)).values()]
      .map((group) => {
        const effort = meanOfKnown(group.map((rep) => rep.effort));
        return {
          place: group[0]?.place ?? 0,
          timeS: meanOfKnown(group.map(({ timeS }) => timeS)) ?? 0,
          ...(effort === undefined ? {} : { effort }),
        };
      })
      .sort((a, b) => a.place - b.place),
    ...known(figures),
  };
}

/** Lays the runs of a session side by side, the latest first; each is held against the one before it. */
export function sideBySide({ runs, reps, athletes }: SameSessions): SideRun[] {
  const repsOf = grouped(reps, ({ runId }) => runId);
  const athletesOf = grouped(athletes, ({ runId }) => runId);
  const parts = runs.map((run) => {
    const ran = { reps: repsOf.get(run.runId) ?? [], athletes: athletesOf.get(run.runId) ?? [] };
    return { side: sideRun(run, ran.reps, ran.athletes), compared: compared(ran.reps, ran.athletes, run) };
  });
  return parts.map(({ side, compared: now }, i) => {
    const before = parts[i + 1];
    return before ? { ...side, change: compareRuns(before.compared, now) } : side;
  });
}

/** One run of a chain: the mean of a kind of rep, in seconds, and how many athletes link it to the run before it. */
export type ChainedMean = { date: string; meanS: number; people: number };

/**
 * The mean of one kind of rep over the runs, the earliest first, as a chain: from each run to the next by those who ran both, so that who
 * comes and goes changes nothing. It ends where nobody ran two in a row.
 */
export function chainedMeans({ runs, reps }: SameSessions, label: string): ChainedMean[] {
  const ofKind = reps.filter(
    (rep) => kindKey(rep).replace(/^(main|finish) /, '') === label && rep.distanceM !== undefined,
  );
  const byRun = grouped(ofKind, ({ runId }) => runId);
  const means = (runId: string) =>
    new Map(
      [...grouped(byRun.get(runId) ?? [], ({ athleteId }) => athleteId)].map(([id, own]) => [
        id,
        meanOfKnown(own.map(({ timeS }) => timeS)) ?? 0,
      ]),
    );
  const chain: ChainedMean[] = [];
  let before: Map<string, number> | undefined;
  for (const { runId, date } of [...runs].reverse()) {
    const now = means(runId);
    if (now.size === 0) continue;
    const last = chain.at(-1);
    if (!before || !last) {
      chain.push({ date, meanS: meanOfKnown([...now.values()]) ?? 0, people: now.size });
    } else {
      const ratios = [...now].flatMap(([id, meanS]) => {
        const earlier = before?.get(id);
        return earlier ? [meanS / earlier] : [];
      });
      const ratio = meanOfKnown(ratios);
      if (ratio === undefined) break;
      chain.push({ date, meanS: last.meanS * ratio, people: ratios.length });
    }
    before = now;
  }
  return chain;
}

/** Totals of one athlete's session: seconds over 400 m on average, metres, effort. */
export type RunTotals = { lapS?: number; distanceM: number; effort?: number };

/** Of two runs, the parts of those who ran both. */
export function bothRuns({
  runs,
  reps,
  athletes,
}: SameSessions): { athleteId: string; now: RunTotals; before: RunTotals }[] {
  const [now, before] = runs;
  if (!now || !before) return [];
  const totals = (runId: string, athleteId: string): RunTotals | undefined => {
    const own = reps.filter((rep) => rep.runId === runId && rep.athleteId === athleteId);
    if (own.length === 0) return undefined;
    const measured = own.filter(({ distanceM, coveredM }) => (distanceM ?? coveredM) !== undefined);
    const distanceM = measured.reduce((sum, rep) => sum + (rep.distanceM ?? rep.coveredM ?? 0), 0);
    const timeS = measured.reduce((sum, rep) => sum + rep.timeS, 0);
    const part = athletes.find((athlete) => athlete.runId === runId && athlete.athleteId === athleteId);
    const effort = part && effortOf(part);
    return {
      distanceM,
      ...(distanceM > 0 ? { lapS: (timeS / distanceM) * 400 } : {}),
      ...(effort === undefined ? {} : { effort }),
    };
  };
  const ids = new Set(reps.map(({ athleteId }) => athleteId));
  return [...ids].flatMap((athleteId) => {
    const [own, earlier] = [totals(now.runId, athleteId), totals(before.runId, athleteId)];
    return own && earlier ? [{ athleteId, now: own, before: earlier }] : [];
  });
}
