import fc from 'fast-check';
import { oneMoreFits } from '../outlook/chances';
import { curveBook } from '../paces/shippedPaceBooks';
import { read } from '../session/testing';
import { targetsFor } from '../targets/targetsFor';
import { standardTrack } from '../venue/venue';
import { curve } from '../run/testing';
import { seeded } from '../units/seeded';
import { NEXT_DAYS, STOP_REASONS } from '../run/events';
import { CARE_REASONS, type CareEntry } from './care';
import { readiness, readinessOfGroup, type ReadinessInput, type RepDone } from './readiness';

const reps = (late: number[], efforts: (number | undefined)[] = []): RepDone[] =>
  late.map((share, i) => {
    const effort = efforts[i];
    return { targetS: 100, timeS: 100 * (1 + share), ...(effort === undefined ? {} : { effort }) };
  });
const ready = (more: Partial<ReadinessInput> = {}) =>
  readiness({ reps: reps([0, 0, 0, 0, 0, 0], [5, , , , , 7]), meantLast: 7, oneMore: 0.9, ...more });
const held = (reason: CareEntry['reason'], grade: CareEntry['grade'] = 'hold'): CareEntry => ({
  reason,
  grade,
  value: 2,
});

test('on where the last third, the effort and one rep more all speak for it', () => {
  expect(ready()).toEqual({ verdict: 'on', reasons: ['On target to the end.', 'Last effort 7, meant 7.'] });
  expect(ready({ nextDay: 'fresh' }).verdict).toBe('on');
});

test.each<[string, Partial<ReadinessInput>, string]>([
  ['late in the last third', { reps: reps([0, 0, 0, 0, 0.015, 0.015]) }, 'Last third 1.5 % late.'],
  ['early throughout', { reps: reps([-0.03, -0.03, -0.03]) }, 'Ran 3 s a rep early: run the target.'],
  ['early at the end', { reps: reps([0, 0, 0, 0, -0.02, -0.02]) }, 'Last third 2.0 % early: run the target.'],
  ['harder than meant', { reps: reps([0, 0, 0], [5, 6, 8]) }, 'Last effort 8, meant 7.'],
  [
    'nothing left, whoever tells it',
    { reps: [{ targetS: 100, timeS: 100, effort: 8.6, told: 10 }], meantLast: 9 },
    'Last effort 10, meant 9.',
  ],
  ['one more would not fit', { oneMore: 0.69 }, 'Probably no rep in hand.'],
  ['one more would not fit for most', { oneMore: 0.69, isUnlikeGroup: false }, 'Little in hand, as for most.'],
  ['heavy the day after', { nextDay: 'heavy' }, 'Legs heavy the day after.'],
  ['sore the day after', { nextDay: 'sore' }, 'Legs sore the day after.'],
  ['not all of it', { cut: 1 }, 'Not all of it was run.'],
  ['made easier', { eased: true }, 'It was made easier for them.'],
  [
    'made easier, and too quick',
    { eased: true, reps: reps([-0.03, -0.03, -0.03]) },
    'Made easier for them, and still 3 s a rep early.',
  ],
  ['a stitch', { stopped: true, stopReason: 'stitch' }, 'Stopped with a stitch.'],
  ['a niggle', { care: [held('niggle')] }, 'Niggle in rep 2.'],
  ['too hot for more', { heat: 'hard' }, 'Too hot that day for anything harder.'],
  ['nothing known', { reps: [{ timeS: 100 }, { timeS: 101 }] }, 'Neither a target nor an effort is known.'],
  ['nothing run', { reps: [] }, 'Neither a target nor an effort is known.'],
])('once more: %s', (_what, more, reason) => {
  const { verdict, reasons } = ready(more);
  expect(verdict).toBe('repeat');
  expect(reasons).toContain(reason);
});

test('who has no curve is not sent on', () => {
  const rest = { reps: reps([0, 0, 0]), meantLast: 7 };
  expect(readiness(rest)).toMatchObject({
    verdict: 'repeat',
    reasons: expect.arrayContaining([expect.stringMatching(/mark/)]),
  });
});

test.each<[string, Partial<ReadinessInput>, string]>([
  ['spent', { stopped: true, stopReason: 'spent' }, 'Stopped with nothing left.'],
  ['far late', { reps: reps([0, 0, 0, 0, 0.03, 0.03]) }, 'Last third 3.0 % late: too much.'],
  ['spent too soon', { reps: reps([0, 0, 0, 0, 0, 0], [6, 8, 9.5]) }, 'Effort 9.5 already on rep 3.'],
])('a step easier: %s; never for the heat', (_what, more, reason) => {
  const { verdict, reasons } = ready(more);
  expect(verdict).toBe('back');
  expect(reasons).toContain(reason);
  expect(ready({ ...more, heat: 'care' }).verdict).toBe('repeat');
});

test.each<[string, Partial<ReadinessInput>, string]>([
  ['why they stopped', { stopped: true }, 'reason'],
  ['whether they are well', { stopped: true, stopReason: 'pain' }, 'well'],
  ['whether they are well, after another session', { care: [held('unwell')] }, 'well'],
  ['how fit they are', { isFarQuicker: true }, 'level'],
])('nothing is proposed until it is known %s', (_what, more, waits) => {
  expect(ready(more)).toMatchObject({ waits, verdict: 'repeat' });
});

test('the young and the new go on by one rep at most', () => {
  for (const reason of ['young', 'new'] as const) {
    const { verdict, most, reasons } = ready({ care: [held(reason, 'watch')] });
    expect({ verdict, most }).toEqual({ verdict: 'on', most: 'rep' });
    expect(reasons.join(' ')).toMatch(/One rep more at most/);
  }
});

test('never on for who stopped, who is held back, or where nothing is known; and always with a reason', () => {
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
      fc.option(fc.constantFrom(...STOP_REASONS, 'none'), { nil: undefined }),
      fc.option(fc.double({ min: 0, max: 1, noNaN: true }), { nil: undefined }),
      fc.option(fc.constantFrom(...NEXT_DAYS), { nil: undefined }),
      fc.option(fc.constantFrom(...CARE_REASONS), { nil: undefined }),
      (list, stop, oneMore, nextDay, reason) => {
        const grade = reason === 'young' || reason === 'new' ? 'watch' : 'hold';
        const input: ReadinessInput = {
          reps: list as RepDone[],
          meantLast: 8,
          ...(stop === undefined ? {} : { stopped: true, ...(stop === 'none' ? {} : { stopReason: stop }) }),
          ...(oneMore === undefined ? {} : { oneMore }),
          ...(nextDay === undefined ? {} : { nextDay }),
          ...(reason === undefined ? {} : { care: [held(reason, grade)] }),
        };
        const { verdict, reasons, most } = readiness(input);
        expect(reasons.length).toBeGreaterThan(0);
        if (stop !== undefined) expect(verdict).not.toBe('on');
        if (reason !== undefined && grade === 'hold' && !(reason === 'legs' && nextDay === 'fresh'))
          expect(verdict).not.toBe('on');
        if (reason !== undefined && grade === 'watch' && verdict === 'on') expect(most).toBe('rep');
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
