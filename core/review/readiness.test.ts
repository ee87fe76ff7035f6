import fc from 'fast-check';
import { oneMoreFits } from '../outlook/chances';
import { curveBook } from '../paces/shippedPaceBooks';
import { read } from '../session/testing';
import { targetsFor } from '../targets/targetsFor';
import { standardTrack } from '../venue/venue';
import { curve } from '../run/testing';
import { seeded } from '../units/seeded';
import { NEXT_DAYS } from '../run/events';
import { readiness, readinessOfGroup, type ReadinessInput, type RepDone } from './readiness';

const reps = (late: number[], efforts: (number | undefined)[] = []): RepDone[] =>
  late.map((share, i) => {
    const effort = efforts[i];
    return { targetS: 100, timeS: 100 * (1 + share), ...(effort === undefined ? {} : { effort }) };
  });
const ready = (more: Partial<ReadinessInput> = {}) =>
  readiness({ reps: reps([0, 0, 0, 0, 0, 0], [5, , , , , 7]), meantLast: 7, oneMore: 0.9, ...more });

test('on where the last third, the effort and one rep more all speak for it', () => {
  expect(ready()).toEqual({
    verdict: 'on',
    reasons: ['Last third on target.', 'Last effort 7, meant 7.', 'One more rep would fit on 90 of 100 such days.'],
  });
  // An effort that nobody told is passed over; a quicker end is no fault.
  expect(ready({ reps: reps([0, 0, 0, 0, -0.02, -0.02]) }).verdict).toBe('on');
  expect(ready({ nextDay: 'fresh' }).verdict).toBe('on');
});

test.each<[string, Partial<ReadinessInput>, string]>([
  ['late in the last third', { reps: reps([0, 0, 0, 0, 0.015, 0.015]) }, 'Last third 1.5 % late.'],
  ['harder than meant', { reps: reps([0, 0, 0], [5, 6, 8]) }, 'Last effort 8, meant 7.'],
  ['one more would not fit', { oneMore: 0.69 }, 'One more rep would fit on 69 of 100 such days.'],
  ['heavy the day after', { nextDay: 'heavy' }, 'Legs heavy the day after.'],
  ['sore the day after', { nextDay: 'sore' }, 'Legs sore the day after.'],
  ['nothing known', { reps: [{ timeS: 100 }, { timeS: 101 }] }, 'Neither a target nor an effort is known.'],
  ['nothing run', { reps: [] }, 'Neither a target nor an effort is known.'],
])('once more: %s', (_what, more, reason) => {
  const { verdict, reasons } = ready(more);
  expect(verdict).toBe('repeat');
  expect(reasons).toContain(reason);
});

test('who has no curve is not sent on', () => {
  const { oneMore: _none, ...rest } = { reps: reps([0, 0, 0]), meantLast: 7, oneMore: 1 };
  expect(readiness(rest)).toMatchObject({
    verdict: 'repeat',
    reasons: expect.arrayContaining([expect.stringMatching(/mark/)]),
  });
});

test.each<[string, Partial<ReadinessInput>, string]>([
  ['stopped', { stopped: true }, 'Stopped before the end.'],
  ['cut', { cut: true }, 'It was cut on the way.'],
  ['far late', { reps: reps([0, 0, 0, 0, 0.03, 0.03]) }, 'Last third 3.0 % late: too much.'],
  ['spent too soon', { reps: reps([0, 0, 0, 0, 0, 0], [6, 8, 9.5]) }, 'Effort 9.5 already on rep 3.'],
])('a step back: %s', (_what, more, reason) => {
  const { verdict, reasons } = ready(more);
  expect(verdict).toBe('back');
  expect(reasons).toContain(reason);
});

test('never on for somebody who was stopped, nor where nothing is known, and always with a reason', () => {
  const anyRep = fc.record(
    {
      targetS: fc.double({ min: 20, max: 400, noNaN: true }),
      timeS: fc.double({ min: 20, max: 400, noNaN: true }),
      effort: fc.integer({ min: 1, max: 10 }),
    },
    { requiredKeys: [] },
  );
  fc.assert(
    fc.property(
      fc.array(anyRep, { maxLength: 12 }),
      fc.boolean(),
      fc.option(fc.double({ min: 0, max: 1, noNaN: true }), { nil: undefined }),
      fc.option(fc.constantFrom(...NEXT_DAYS), { nil: undefined }),
      (list, stopped, oneMore, nextDay) => {
        const input = {
          reps: list as RepDone[],
          stopped,
          meantLast: 8,
          ...(oneMore === undefined ? {} : { oneMore }),
          ...(nextDay === undefined ? {} : { nextDay }),
        };
        const { verdict, reasons } = readiness(input);
        expect(reasons.length).toBeGreaterThan(0);
        if (stopped) expect(verdict).toBe('back');
        const isKnown = list.some(
          ({ timeS, targetS, effort }) => timeS !== undefined && (targetS ?? effort) !== undefined,
        );
        if (!isKnown) expect(verdict).not.toBe('on');
      },
    ),
  );
});

test('a group goes by most of it, and with as many for each by the more careful', () => {
  expect(readinessOfGroup(['on', 'on', 'repeat'])).toBe('on');
  expect(readinessOfGroup(['on', 'repeat'])).toBe('repeat');
  expect(readinessOfGroup(['back', 'on', 'on', 'back'])).toBe('back');
  expect(readinessOfGroup([])).toBe('back');
});

describe('one rep more', () => {
  const legsOf = (text: string) => targetsFor(read(text), { curve, paceBook: curveBook, venue: standardTrack });
  const fits = (text: string) => {
    return oneMoreFits(curve, legsOf(text), seeded(5), 400);
  };
  test('fits after little, not after what took all there was, and the less the more was run', () => {
    expect(fits('4x400 @10k / 2:00')).toBe(1);
    expect(fits('12x400 @1500 / 60s')).toBeLessThan(0.1);
    const shares = ['4x400 @1500 / 2min', '6x400 @1500 / 2min', '8x400 @1500 / 2min'].map((text) => fits(text) ?? 0);
    expect([...shares].sort((a, b) => b - a)).toEqual(shares);
  });
  test('where nothing was run there is none', () => expect(oneMoreFits(curve, [], Math.random)).toBeUndefined());
});
