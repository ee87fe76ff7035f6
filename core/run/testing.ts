/** For tests: sessions at the track, and what happens there, in seconds after a first moment. */
import { fitCurve } from '../fitness/curve';
import { curveBook } from '../paces/shippedPaceBooks';
import { read } from '../session/testing';
import { standardTrack } from '../venue/venue';
import type { Happening, RunEvent } from './events';
import { makePlan } from '../planning/makePlan';
import type { Plan, PlannedGroup } from './plan';
import { replay } from './replay';
import type { RunState } from './runState';

export const DAY = '2026-11-01';
export const T0 = 1_790_000_000_000;
/** 400 m at 5k pace are 88.8 s. */
export const curve = fitCurve([{ distanceM: 5000, timeS: 1110, date: DAY, kind: 'race' }], { asOf: DAY });

/** A session laid out for two athletes, `a0` and `a1`, of the same speed, in one group, `all`. */
export function planOf(shorthand: string, names: string[] = ['Ada Brindlecote', 'Bo Tarrowby']): Plan {
  const people = names.map((name, i) => ({
    id: `a${i}`,
    name,
    tileName: name.split(' ')[0] ?? name,
    paces: { curve, paceBook: curveBook },
  }));
  const header = { id: 'run', sessionId: 's', title: 'T', date: DAY, shorthand };
  return makePlan(header, read(shorthand), people, standardTrack);
}

/** The only group of a plan. */
export function only({ groups }: Plan): PlannedGroup {
  const [group] = groups;
  if (!group) throw new Error('There is no group.');
  return group;
}

/** Two groups, `g0` with `a0` and `a1`, `g1` with `b0` and `b1`, the second so many seconds behind. */
export function twoGroups(first: string, second: string, startGapS?: number): Plan {
  const plan = planOf(first);
  const other = only(planOf(second, ['Cleo Wexmoor', 'Dov Marlish']));
  return {
    ...plan,
    groups: [
      { ...only(plan), id: 'g0', name: 'Milers' },
      {
        ...other,
        id: 'g1',
        name: 'Fives',
        ...(startGapS === undefined ? {} : { startGapS }),
        athletes: other.athletes.map((athlete, i) => ({ ...athlete, athleteId: `b${i}` })),
      },
    ],
  };
}

let nextId = 0;
/** An event at so many seconds after the start, on the phone `d` unless told otherwise. */
export const at = (atS: number, happening: Happening, deviceId = 'd'): RunEvent => ({
  ...happening,
  id: `e${String(nextId++).padStart(5, '0')}`,
  runId: 'run',
  deviceId,
  atMs: T0 + Math.round(atS * 1000),
});
export const start = (atS: number, repIndex = 0, athleteIds = ['a0', 'a1']): RunEvent =>
  at(atS, { type: 'started', repIndex, athleteIds });
export const pass = (atS: number, athleteId: string, atM: number, repIndex = 0): RunEvent =>
  at(atS, { type: 'passed', athleteId, repIndex, atM });
export const undo = (atS: number, event: RunEvent): RunEvent => at(atS, { type: 'undone', eventId: event.id });
export const end = (atS: number): RunEvent => at(atS, { type: 'ended' });

/** One athlete's reps, after what happened. */
export const runsOf = (plan: Plan, events: readonly RunEvent[], athleteId = 'a0') =>
  replay(plan, events).athletes[athleteId]?.runs ?? [];

/** The only athlete of that id, who has to be there. */
export function someone(state: RunState, athleteId = 'a0') {
  const athlete = state.athletes[athleteId];
  if (!athlete) throw new Error(`There is no ${athleteId}.`);
  return athlete;
}

/** A plain source of chance (Park & Miller, CACM 31:1192, 1988), so that the core is tested with no package. */
export function chance(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}
