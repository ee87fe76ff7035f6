import { cellKey, columnsOf, enteredRun, readCell, type Typed } from './entered';
import type { RunEvent } from './events';
import { replay } from './replay';
import { only, planOf, T0 } from './testing';
import { reviewRun } from '../review/review';

const four = { role: 'main' as const, distanceM: 400, callM: [200, 400] };

test('times in any form, and ways to say that a rep was not run', () => {
  const timeOf = (text: string) => {
    const cell = readCell(text, four, { targetS: 88 });
    return cell.kind === 'time' ? cell.timeS : cell.kind;
  };
  expect(['88.4', '1:28.4', '1.28', '88,4', '1\'28"', ' 1:28 '].map(timeOf)).toEqual([88.4, 88.4, 88, 88.4, 88, 88]);
  expect(['', ' ', '-', 'x', 'DNF', 'dns', '–', 'out'].map(timeOf)).toEqual(Array(8).fill('empty'));
  expect(['fast', '1:75', '0', '1:2x'].map(timeOf)).toEqual(Array(4).fill('problem'));
});

test('a time far from the target is asked about, and taken', () => {
  expect(readCell('3:10', four, { targetS: 88 })).toMatchObject({
    kind: 'time',
    timeS: 190,
    doubt: expect.stringContaining('Read as 3:10.0'),
  });
  expect(readCell('91', four, { targetS: 88 })).toEqual({ kind: 'time', timeS: 91 });
});

test('a rep by the clock takes metres', () => {
  const clock = { role: 'main' as const, durationS: 120, callM: [], everyM: 400 };
  expect(readCell('610 m', clock, {})).toEqual({ kind: 'metres', distanceM: 610 });
  expect(readCell('far', clock, {})).toMatchObject({ kind: 'problem' });
});

test('what was typed comes out as it was typed', () => {
  const plan = planOf('3x400 @5k / 60s\nfinish: 200 @mile');
  const typed: Typed = {
    [cellKey('a0', 0)]: '1:27.4',
    [cellKey('a0', 1)]: '88.1',
    [cellKey('a0', 3)]: '36,2',
    [cellKey('a1', 0)]: '1:31',
    [cellKey('a1', 1)]: 'x',
    [cellKey('a1', 2)]: 'what',
  };
  const { plan: laidOut, happened } = enteredRun(plan, typed, T0);
  const events = happened.map(({ happening, atMs }, i): RunEvent => {
    return { ...happening, id: String(i).padStart(3, '0'), runId: 'run', deviceId: 'd', atMs };
  });
  const state = replay(laidOut, events);
  expect(state.unplaced).toEqual([]);
  expect(state.endedAtMs).toBeDefined();
  const rows = reviewRun(state)[0]?.rows ?? [];
  expect(rows.map(({ cells }) => cells.map(({ actualS }) => actualS))).toEqual([
    [87.4, 88.1, undefined, 36.2],
    [91, undefined, undefined, undefined],
  ]);
});

test('of whom nothing was typed was not there', () => {
  const plan = planOf('2x400 @5k / 60s', ['Ada Brindlecote', 'Bo Tarrowby', 'Cleo Wexmoor']);
  const { happened } = enteredRun(plan, { [cellKey('a0', 0)]: '88', [cellKey('a1', 0)]: '-' }, T0);
  const away = happened.flatMap(({ happening }) => (happening.type === 'came' ? [happening.athleteId] : []));
  expect(away).toEqual(['a2']);
});

test('reps that run on are entered one by one', () => {
  const plan = planOf('600 @10k, 400 @marathon');
  const typed = { [cellKey('a0', 0)]: '2:10', [cellKey('a0', 1)]: '1:50' };
  const { plan: laidOut, happened } = enteredRun(plan, typed, T0);
  expect(only(laidOut).reps.some(({ runsOn }) => runsOn)).toBe(false);
  expect(happened.map(({ happening }) => happening.type)).toEqual([
    'came',
    'started',
    'passed',
    'started',
    'passed',
    'ended',
  ]);
});

describe('open work typed afterwards', () => {
  const plan = planOf('open x 600|400 @threshold / 60s\nfinish: 200 @mile');
  test('each distance has a cell more than anybody has times in', () => {
    const keys = (typed: Typed) => columnsOf(only(plan), typed).map(({ key }) => key);
    expect(keys({})).toEqual(['0', '1', '2']);
    expect(keys({ [cellKey('a0', '0')]: '2:20' })).toEqual(['0', '0.1', '1', '2']);
    expect(keys({ [cellKey('a1', '0.1')]: '2:21', [cellKey('a0', '1')]: '1:33' })).toEqual([
      '0',
      '0.1',
      '0.2',
      '1',
      '1.1',
      '2',
    ]);
  });
  test('as many as were typed come out, in order, each over its own distance', () => {
    const typed: Typed = {
      [cellKey('a0', '0')]: '2:20',
      [cellKey('a0', '0.1')]: '2:21',
      [cellKey('a0', '0.2')]: '2:22',
      [cellKey('a1', '0')]: '2:19',
      [cellKey('a0', '1')]: '1:33',
      [cellKey('a0', '2')]: '34',
    };
    const { plan: laidOut, happened } = enteredRun(plan, typed, T0);
    const events = happened.map(({ happening, atMs }, i): RunEvent => ({
      ...happening,
      id: `t${i}`,
      runId: 'run',
      deviceId: 'd',
      atMs,
    }));
    const runs = replay(laidOut, events).athletes.a0?.runs ?? [];
    expect(runs.map(({ rep, passes }) => [rep.distanceM, passes.at(-1)?.elapsedS])).toEqual([
      [600, 140],
      [600, 141],
      [600, 142],
      [400, 93],
      [200, 34],
    ]);
    expect(replay(laidOut, events).athletes.a1?.runs).toHaveLength(1);
  });
});

test('every event is at a whole millisecond, and one that the wire takes, whatever the recoveries last', () => {
  // A jog over 400 m: for these two some 2:20, with parts of a second.
  const plan = planOf('3x400 @5k / 400m jog, 2x1:30.7 @3k / 800m jog');
  expect(only(plan).athletes[0]?.targets[0]?.recoveryS).toBeGreaterThan(90);
  expect(Number.isInteger((only(plan).athletes[0]?.targets[0]?.recoveryS ?? 0) * 1000)).toBe(false);
  const typed = Object.fromEntries([0, 1, 2, 3, 4].map((rep) => [cellKey('a0', rep), rep < 3 ? '88.35' : '420']));
  const { happened } = enteredRun(plan, typed, T0);
  expect(happened.length).toBeGreaterThan(10);
  for (const { atMs } of happened) expect(Number.isInteger(atMs)).toBe(true);
});

test('typed before the hour it is assumed to have begun, it is over by now: what is told afterwards has its place', () => {
  const plan = planOf('2x400 @5k / 60s');
  const nowMs = T0 - 3_600_000;
  const { plan: laidOut, happened } = enteredRun(plan, { [cellKey('a0', 0)]: '88' }, T0, nowMs);
  expect(Math.max(...happened.map(({ atMs }) => atMs))).toBe(nowMs);
  const felt = { happening: { type: 'felt' as const, athleteId: 'a0', repIndex: 0, effort: 7 }, atMs: nowMs + 1000 };
  const events = [...happened, felt].map(({ happening, atMs }, i): RunEvent => {
    return { ...happening, id: String(i).padStart(3, '0'), runId: 'run', deviceId: 'd', atMs };
  });
  const state = replay(laidOut, events);
  expect(state.athletes.a0?.runs[0]).toMatchObject({ effort: 7 });
  expect(state.unplaced).toEqual([]);
});

test('a rep by the clock takes metres or a pace', () => {
  const rep = { role: 'main' as const, durationS: 300, callM: [] };
  expect(readCell('1042', rep, undefined)).toEqual({ kind: 'metres', distanceM: 1042 });
  expect(readCell('4:48/km', rep, undefined)).toMatchObject({ kind: 'metres', distanceM: expect.closeTo(1041.7, 1) });
  expect(readCell('5:00', rep, undefined)).toEqual({ kind: 'metres', distanceM: 1000 });
  expect(readCell('8:03 /mi', rep, undefined)).toMatchObject({ kind: 'metres', distanceM: expect.closeTo(999.6, 1) });
  expect(readCell('4:75/km', rep, undefined)).toMatchObject({ kind: 'problem' });
});
