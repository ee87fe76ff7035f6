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
