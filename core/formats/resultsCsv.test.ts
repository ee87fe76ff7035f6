import { replay } from '../run/replay';
import { reviewRun } from '../review/review';
import { at, end, pass, planOf, start } from '../run/testing';
import { broughtIn } from './broughtIn';
import type { ResultRow } from '../review/resultRow';
import { readResultsCsv, resultRows, writeResultsCsv } from './resultsCsv';

const plan = planOf('2x400 @5k / 60s, 2:00 @10k');
const events = [
  start(0),
  pass(88.45, 'a0', 400),
  pass(90, 'a1', 400),
  at(92, { type: 'felt', athleteId: 'a0', repIndex: 0, effort: 7 }),
  start(150, 1),
  pass(240, 'a0', 400, 1),
  at(241, { type: 'noted', athleteId: 'a0', repIndex: 1, text: '=cmd, "quoted"' }),
  at(242, { type: 'excluded', athleteId: 'a0', repIndex: 1, reason: 'fell' }),
  start(400, 2, ['a0']),
  at(530, { type: 'covered', athleteId: 'a0', repIndex: 2, distanceM: 540 }),
  at(540, { type: 'sessionFelt', athleteId: 'a0', effort: 6 }),
  end(600),
];
const reviews = reviewRun(replay(plan, events));
const rows = resultRows(plan, reviews);

test('one row a rep, with all that is known of it', () => {
  expect(rows).toHaveLength(6);
  expect(rows[0]).toEqual({
    date: '2026-11-01',
    session: 'T',
    group: 'Everyone',
    athlete: 'Ada Brindlecote',
    rep: 1,
    part: 'main',
    distanceM: 400,
    pace: '5k',
    targetS: expect.closeTo(88.8, 3),
    timeS: 88.45,
    effort: 7,
    sessionEffort: 6,
    restS: expect.closeTo(61.55, 2),
    plannedRestS: 60,
    cameToM: 1340,
    cameToS: expect.closeTo(298.45, 2),
  });
  expect(rows[1]).toMatchObject({ notes: '=cmd, "quoted"', leftOut: 'fell' });
  expect(rows[2]).toMatchObject({ durationS: 120, coveredM: 540 });
  expect(resultRows(plan, reviews, 'a1').every(({ athlete }) => athlete === 'Bo Tarrowby')).toBe(true);
});

const DIGITS: Partial<Record<string, number>> = { restS: 0, cameToS: 1 };

test('out and in again they are the same, to the digits written; what looks like a formula is none', () => {
  const text = writeResultsCsv(rows);
  expect(text).not.toMatch(/[\r\n,"]=cmd/);
  const back = readResultsCsv(text);
  if (!back.ok) throw new Error(back.message);
  expect(back.problems).toEqual([]);
  const rounded = rows.map((row) =>
    Object.fromEntries(
      Object.entries(row).map(([key, value]) => [
        key,
        typeof value === 'number' ? Math.round(value * 10 ** (DIGITS[key] ?? 2)) / 10 ** (DIGITS[key] ?? 2) : value,
      ]),
    ),
  );
  expect(back.rows).toEqual(rounded);
});

test('brought in they become a session that reads as it did, but for rests, which nobody typed', () => {
  let n = 0;
  const sessions = broughtIn(rows, {
    athleteCalled: (name) => ({ athleteId: name === 'Bo Tarrowby' ? 'a1' : 'a0', name, tileName: name }),
    newId: () => `id${n++}`,
    startAtMs: () => 1_790_000_000_000,
  });
  expect(sessions).toHaveLength(1);
  const [session] = sessions;
  if (!session) throw new Error();
  const stamped = session.happened.map(({ happening, atMs }, i) => ({
    ...happening,
    id: `e${String(i).padStart(4, '0')}`,
    runId: session.plan.id,
    deviceId: 'd',
    atMs,
  }));
  const again = replay(session.plan, stamped);
  expect(again.unplaced).toEqual([]);
  const back = resultRows(session.plan, reviewRun(again));
  const kept = ({ restS: _rest, timeS, ...row }: ResultRow) => ({
    ...row,
    timeS: timeS && Math.round(timeS * 100) / 100,
  });
  expect(back.find(({ athlete, rep }) => athlete === 'Ada Brindlecote' && rep === 1)).toMatchObject({
    timeS: expect.closeTo(88.45, 2),
    effort: 7,
    sessionEffort: 6,
  });
  expect(back.filter(({ timeS }) => timeS !== undefined).map(kept)).toHaveLength(
    rows.filter(({ timeS }) => timeS !== undefined && timeS > 0).length,
  );
  expect(back.find(({ rep, athlete }) => rep === 2 && athlete === 'Ada Brindlecote')).toMatchObject({
    leftOut: 'fell',
  });
  expect(session.plan.shorthand).toBe('main: 2x400 @5k, 2:00 @10k');
});

test('what cannot be read is said row by row, and the rest is taken', () => {
  const read = readResultsCsv(
    [
      'Date;Athlete;Rep;Distance m;Time s',
      '2026-10-01;Ada;1;400;1:21.4',
      '1 October;Ada;2;400;80',
      '2026-10-01;;3;400;80',
      '2026-10-01;Ada;3;far;80',
      '2026-10-01;Ada;4;400;soon',
      '2026-10-01;Ada;5;400;',
    ].join('\n'),
  );
  if (!read.ok) throw new Error(read.message);
  expect(read.rows.map(({ rep, timeS }) => [rep, timeS])).toEqual([
    [1, 81.4],
    [5, undefined],
  ]);
  expect(read.problems).toHaveLength(4);
  expect(read.problems[0]).toMatch(/^Row 3: “1 October” is no date/);
});

test.each(['', 'name,time\nAda,80', 'x'.repeat(9_000_000)])('a file that is none of ours is refused whole', (text) =>
  expect(readResultsCsv(text)).toMatchObject({ ok: false, message: expect.stringMatching(/Nothing was brought in/) }),
);

test('somebody who is not in the squad is left out; a session with nobody else is not brought in', () => {
  const options = { athleteCalled: () => undefined, newId: () => 'id', startAtMs: () => 0 };
  expect(broughtIn(rows, options)).toEqual([]);
});
