import { fitCurve, timeFor } from './curve';
import { bestTrialM, doubtsAboutMarks, meanError, outlierSentences, surenessOf } from './howSure';
import type { Mark } from './mark';
import { progressOf } from './progress';

const AS_OF = '2026-11-01';
const race = (distanceM: number, timeS: number, date = AS_OF, kind: Mark['kind'] = 'race'): Mark => ({
  distanceM,
  timeS,
  date,
  kind,
});
const sureness = (...marks: Mark[]) => surenessOf(fitCurve(marks, { asOf: AS_OF }));

test('two fresh marks far apart are sure, one is fair, one from last winter unsure', () => {
  expect(sureness(race(800, 149), race(5000, 1110))).toBe('sure');
  expect(sureness(race(5000, 1110))).toBe('fair');
  expect(sureness(race(5000, 1110, '2026-01-10'))).toBe('unsure');
});

test('the trial that settles most is not the distance that is known already', () => {
  const knownMarks = [race(5000, 1110)];
  const trialM = bestTrialM(knownMarks, AS_OF) ?? 0;
  expect([800, 1200, 1600, 2000, 3000]).toContain(trialM);
  // It is the best of those a coach would run: no other makes the paces surer.
  const error = (distanceM: number) => {
    const timeS = timeFor(fitCurve(knownMarks, { asOf: AS_OF }), distanceM);
    return meanError(fitCurve([...knownMarks, race(distanceM, timeS, AS_OF, 'trial')], { asOf: AS_OF }));
  };
  for (const distanceM of [800, 1200, 1600, 2000, 3000, 5000])
    expect(error(trialM)).toBeLessThanOrEqual(error(distanceM) + 1e-12);
  expect(bestTrialM([], AS_OF)).toBeUndefined();
});

test('a trial suits age and event', () => {
  const knownMarks = [race(1500, 330)];
  const trial = (who: Parameters<typeof bestTrialM>[2]) => bestTrialM(knownMarks, AS_OF, who) ?? 0;
  expect(trial({ ageYears: 10 })).toBe(800);
  expect(trial({ ageYears: 12 })).toBeLessThanOrEqual(1200);
  expect(trial({ ageYears: 14 })).toBeLessThanOrEqual(2000);
  expect(trial({ leaning: '400-800' })).toBeLessThanOrEqual(1600);
  expect(trial({ ageYears: 30, leaning: '5k-10k' })).toBeGreaterThanOrEqual(1600);
  expect(doubtsAboutMarks(knownMarks, AS_OF, { ageYears: 12 })[0]).toMatch(/(An 800|A 1200) trial/);
});

describe('doubts', () => {
  test('a single mark: what is weak, and what would settle it', () =>
    expect(doubtsAboutMarks([race(1500, 300)], AS_OF)).toEqual([
      expect.stringMatching(/^Fairly sure: one mark only\. A \d+ trial would settle it\.$/),
    ]));
  test('for someone who should not run flat out yet the trial is put off', () =>
    expect(doubtsAboutMarks([race(1500, 300)], AS_OF, { canTrial: false })[0]).toMatch(
      /once there are some weeks of regular running/,
    ));
  test('an old mark of another season, in another year', () => {
    const doubts = doubtsAboutMarks([race(5000, 1110, '2025-12-20')], AS_OF);
    expect(doubts[0]).toMatch(/^Unsure: one mark only, the newest is 10 months old\./);
    expect(doubts[1]).toMatch(/^These paces come from December 2025, another season/);
  });
  test('estimates only', () =>
    expect(doubtsAboutMarks([race(5000, 1110, AS_OF, 'estimate')], AS_OF)[0]).toMatch(/no race or trial/));
  test('none about several fresh marks that agree, and none without a mark', () => {
    expect(doubtsAboutMarks([race(800, 149), race(5000, 1110)], AS_OF)).toEqual([]);
    expect(doubtsAboutMarks([], AS_OF)).toEqual([]);
    expect(doubtsAboutMarks([{ ...race(5000, 1110, '2024-01-01'), leftOut: true }], AS_OF)).toEqual([]);
  });
  test('the age that counts is that of the newest mark that is not left out', () =>
    expect(
      doubtsAboutMarks([race(5000, 1110, '2026-01-10'), { ...race(5000, 1110), leftOut: true }], AS_OF)[0],
    ).toMatch(/months old/));
});

test('a mark that does not fit is named with its month, how far off it is from the rest, and which way', () => {
  const marks = [race(5000, 1110), race(3000, 637), race(1500, 299), race(1500, 340, '2026-10-10')];
  const [sentence = '', ...more] = outlierSentences(fitCurve(marks, { asOf: AS_OF }), AS_OF);
  expect(more).toEqual([]);
  expect(sentence).toMatch(
    /^The 1500 from October sits \d+(\.\d)? % off the rest: slower than they say\. Put it right/,
  );
  const rest = fitCurve(marks.slice(0, 3), { asOf: AS_OF });
  const off = Math.log(340 / timeFor(rest, 1500)) * 100;
  expect(Number(/(\d+(\.\d)?) %/.exec(sentence)?.[1])).toBeCloseTo(off, 0);
});

describe('progress', () => {
  const marks = [race(5000, 1170, '2026-06-01'), race(5000, 1140, '2026-08-01'), race(5000, 1110, '2026-10-01')];
  const points = progressOf(marks, 5000, '2026-05-01', AS_OF);
  test('begins with the first mark, has a point on each mark’s day and on the last, in order', () => {
    expect(points[0]?.date).toBe('2026-06-01');
    expect(points.at(-1)?.date).toBe(AS_OF);
    expect(points.map(({ date }) => date)).toEqual([...new Set(points.map(({ date }) => date))].sort());
    for (const { date } of marks) expect(points.some((point) => point.date === date)).toBe(true);
  });
  test('each point knows only the marks up to its day', () => {
    expect(points[0]?.timeS).toBeCloseTo(1170, 1);
    const last = timeFor(fitCurve(marks, { asOf: AS_OF }), 5000);
    expect(points.at(-1)?.timeS).toBeCloseTo(last, 6);
  });
  test('between marks it only grows less sure', () => {
    const between = points.filter(({ date }) => date >= '2026-08-01' && date < '2026-10-01');
    between.slice(1).forEach((point, i) => expect(point.errorS).toBeGreaterThan(between[i]?.errorS ?? Infinity));
  });
  test('is empty without a mark', () => expect(progressOf([], 5000, '2026-05-01', AS_OF)).toEqual([]));
});
