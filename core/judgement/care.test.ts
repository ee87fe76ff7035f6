/** Care on a day, and effort that creeps up. */
import fc from 'fast-check';
import { daysAfter } from '../units/dayNumber';
import { careFor, gradeOf, isStanding, type CareEntry, type CareRecord } from './care';
import { careReason, careText, careTexts } from './careWords';
import { creepingEffort } from './creeping';

const DAY = '2026-11-20';
const ago = (days: number) => daysAfter(DAY, -days);
const record = (days: number, more: Partial<CareRecord> = {}): CareRecord => ({
  athleteId: 'a',
  runId: `r${days}`,
  date: ago(days),
  flags: [],
  ...more,
});
const of = (records: CareRecord[], person = {}) => careFor({ status: 'training', ...person }, records, DAY);
const reasons = (...args: Parameters<typeof of>) => of(...args).map(({ reason }) => reason);

test('a niggle, pain, not well: ten days, or until told well', () => {
  for (const flag of ['niggle', 'pain', 'unwell'] as const) {
    const said = (days: number) => [record(days, { flags: [{ flag, rep: 3 }] })];
    expect(of(said(10))).toEqual([{ reason: flag, grade: 'hold', date: ago(10), runId: 'r10', value: 3 }]);
    expect(of(said(11))).toEqual([]);
    expect(of(said(4), { wellOn: ago(3) })).toEqual([]);
    // Told well before it came again.
    expect(reasons(said(2), { wellOn: ago(3) })).toEqual([flag]);
  }
});

test.each<[string, Partial<CareRecord>, CareEntry['reason'] | undefined]>([
  ['nobody has said why', {}, 'stopped'],
  ['pain', { stopReason: 'pain' }, 'pain'],
  ['spent', { stopReason: 'spent' }, 'spent'],
  ['a stitch', { stopReason: 'stitch' }, 'stitch'],
  ['had to go', { stopReason: 'had-to-go' }, undefined],
  ['the coach', { stopReason: 'coach' }, undefined],
])('a stop, %s', (_what, more, reason) => {
  expect(reasons([record(3, { isStopped: true, stopRep: 3, ...more })])).toEqual(reason ? [reason] : []);
});

test('a stitch counts for the next session only', () => {
  const stitch = record(6, { isStopped: true, stopReason: 'stitch' });
  expect(reasons([stitch])).toEqual(['stitch']);
  expect(reasons([stitch, record(2)])).toEqual([]);
});

test('heavy or sore legs count until the next answer, or for a week', () => {
  expect(of([record(5, { legs: 'sore' })])).toMatchObject([{ reason: 'legs', legs: 'sore', date: ago(5) }]);
  expect(reasons([record(5, { legs: 'sore' }), record(2, { legs: 'fresh' })])).toEqual([]);
  expect(reasons([record(8, { legs: 'heavy' })])).toEqual([]);
});

test('nothing left where something was to be; where ten was meant it is as meant', () => {
  expect(reasons([record(4, { lastEffort: 10, meantLast: 9 })])).toEqual(['spent']);
  expect(reasons([record(4, { lastEffort: 10, meantLast: 9.5 })])).toEqual([]);
  expect(reasons([record(4, { lastEffort: 9, meantLast: 7 })])).toEqual([]);
});

test('standing conditions are a limit and never a hold', () => {
  const young = of([], { bornYear: 2014 });
  expect(young).toEqual([{ reason: 'young', grade: 'watch', value: 14 }]);
  expect(of([], { bornYear: 2012 })).toEqual([{ reason: 'young', grade: 'mark', value: 16 }]);
  expect(careFor({ status: 'training', bornYear: 2012 }, [], DAY, { youngUnder: 14 })).toEqual([]);
  expect(gradeOf(of([], { bornYear: 2012 }))).toBe('mark');
  expect(young.every(isStanding)).toBe(true);
  expect(gradeOf(young)).toBe('watch');
  expect(reasons([], { runningSince: ago(60) })).toEqual(['new']);
  expect(reasons([], { runningSince: ago(100) })).toEqual([]);
  expect(gradeOf(of([], { status: 'easing' }))).toBe('hold');
  expect(gradeOf(of([]))).toBeUndefined();
});

test('what comes after the day does not count, the order in which it is given neither, and each reason stands once', () => {
  const anyRecord = fc
    .record({
      days: fc.integer({ min: -5, max: 20 }),
      flag: fc.option(fc.constantFrom('niggle' as const, 'pain' as const, 'stitch' as const), { nil: undefined }),
      isStopped: fc.boolean(),
      legs: fc.option(fc.constantFrom('fresh' as const, 'sore' as const), { nil: undefined }),
    })
    .map(({ days, flag, isStopped, legs }) =>
      record(days, {
        flags: flag ? [{ flag, rep: 1 }] : [],
        ...(isStopped ? { isStopped: true as const, stopReason: 'spent' as const } : {}),
        ...(legs ? { legs } : {}),
      }),
    );
  const distinct = fc.uniqueArray(anyRecord, { selector: ({ runId }) => runId, maxLength: 6 });
  fc.assert(
    fc.property(distinct, (records) => {
      const entries = of(records);
      expect(new Set(entries.map(({ reason }) => reason)).size).toBe(entries.length);
      expect(of([...records].reverse())).toEqual(entries);
      expect(of(records.filter(({ date }) => date <= DAY))).toEqual(entries);
    }),
  );
});

test('in words, with the day where it is of another', () => {
  const niggle: CareEntry = { reason: 'niggle', grade: 'hold', value: 3, date: '2026-11-15' };
  expect(careReason(niggle, '2026-11-15')).toBe('Niggle in rep 3.');
  expect(careReason(niggle, DAY)).toBe('Niggle in rep 3, Sun 15 Nov.');
  expect(careText({ reason: 'legs', grade: 'hold', legs: 'sore', date: '2026-11-15' }, () => 'Sunday')).toBe(
    'legs sore since Sunday',
  );
  expect(careText({ reason: 'young', grade: 'mark', value: 16 }, () => 'never')).toBe('under 16');
  const date = '2026-11-15';
  expect(
    careTexts(
      [
        { reason: 'niggle', grade: 'hold', value: 6, date },
        { reason: 'spent', grade: 'hold', value: 10, date },
        { reason: 'legs', grade: 'hold', legs: 'heavy', date },
        { reason: 'easing', grade: 'hold', isInjured: true },
      ],
      () => 'Sunday',
    ),
  ).toEqual(['niggle in rep 6 and effort 10 at the end, Sunday', 'legs heavy since Sunday', 'injured']);
});

describe('effort that creeps up', () => {
  const weekly = (above: number[]) =>
    above.map((value, i) => ({ date: ago((above.length - 1 - i) * 7), above: value }));
  test('level for four weeks, then up 0.35 a week for seven: 1.5 harder in the last three', () => {
    const told = [0, 0, 0, 0, ...[1, 2, 3, 4, 5, 6, 7].map((n) => n * 0.35)];
    expect(creepingEffort(weekly(told), DAY)).toEqual({ by: 1.5, date: ago(14) });
  });
  test('within chance, too few, too near together, or too long ago nothing is said', () => {
    expect(creepingEffort(weekly([0, 0, 0, 0, 0, 0.6, 0.6, 0.6]), DAY)).toBeUndefined();
    expect(creepingEffort(weekly([0, 0, 0, 3, 3, 3]), DAY)).toBeUndefined();
    const daily = [0, 0, 0, 0, 3, 3, 3].map((above, i) => ({ date: ago(7 - i), above }));
    expect(creepingEffort(daily, DAY)).toBeUndefined();
    const old = weekly([0, 0, 0, 0, 3, 3, 3]).map(({ date, above }) => ({ date: daysAfter(date, -90), above }));
    expect(creepingEffort(old, DAY)).toBeUndefined();
  });
});
