import fc from 'fast-check';
import { daysAfter, dayNumber } from '../units/dayNumber';
import { seasonForAthlete } from './athleteSeason';
import { longRunsBack, offDaysOf, type LongOn } from './comingBack';
import { layOutSeason } from './layout/layOut';
import { tooShortFor } from './longestRun';
import { daysOf, type AthleteException, type DaysOff, type SeasonPlan } from './season';
import { hardMinutes } from './threads/hardMinutes';
import { sessionOfDay } from './threads/threadSession';
import { seasonFrom } from './templates/seasonFrom';
import { seasonTemplates, type SeasonTemplate } from './templates/templates';

const MONDAY = '2026-09-07';
const on = (week: number, day: number) => daysAfter(MONDAY, (week - 1) * 7 + day);
const templateOf = (id: string) => seasonTemplates.find((template) => template.id === id) as SeasonTemplate;
const seasonOf = (id: string, more: Partial<SeasonPlan> = {}, weeks = templateOf(id).weeks): SeasonPlan => ({
  ...seasonFrom(templateOf(id), {
    firstDay: MONDAY,
    races: [{ date: daysAfter(MONDAY, weeks * 7 - 1), name: 'Harbour marathon', weight: 'A' }],
  }),
  ...more,
});
const off = (from: string, to: string): DaysOff => ({ id: 'off', from, to, reason: 'holidays' });
const illBetween = (from: string, to: string): AthleteException => ({
  id: 'e',
  athleteId: 'ada',
  kind: 'ill',
  from,
  to,
});
const longsIn = (days: ReturnType<typeof daysOf>) =>
  days.flatMap(({ kind, date, amount }) => (kind === 'long' && amount ? [{ date, km: amount.amount }] : []));

describe('the long run after days without one', () => {
  const LONG = { unit: 'km', from: 9, step: 1 } as const;
  const weekly = (...amounts: number[]): LongOn[] => amounts.map((amount, i) => ({ day: 7 * i, amount }));
  const after = (gap: number, offDays: number, planned = 20) =>
    longRunsBack([...weekly(18, 20), { day: 7 + gap, amount: planned }], { count: () => offDays }, LONG).at(-1);
  test.each([
    ['ten days without one change nothing', 10, 9, 20],
    ['a fortnight of running: a tenth less', 14, 2, 18],
    ['a fortnight off: 15 % less', 14, 12, 17],
    ['three weeks off: 30 % less', 21, 18, 14],
    ['two months of running: not under 60 %', 60, 5, 12],
    ['five weeks off: no longer than 40 %, or than the season’s first', 42, 38, 8],
  ])('%s', (_, gap, offDays, expected) => expect(after(gap, offDays)).toBe(expected));
  test('from there it grows by the season’s step, and by no more than 15 %', () => {
    const longs = [...weekly(18, 20), ...[28, 35, 42, 49].map((day) => ({ day, amount: 20 }))];
    expect(longRunsBack(longs, { count: () => 18 }, { ...LONG, step: 2 })).toEqual([18, 20, 14, 16, 18, 20]);
    expect(longRunsBack(longs, { count: () => 18 }, { ...LONG, step: 9 })).toEqual([18, 20, 14, 16, 18.5, 20]);
  });
  test('is never more than planned, nor a jump, whatever days were off', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ gap: fc.integer({ min: 5, max: 60 }), amount: fc.integer({ min: 5, max: 35 }) }), {
          minLength: 2,
          maxLength: 15,
        }),
        fc.boolean(),
        (steps, isOff) => {
          let day = 0;
          const longs = steps.map(({ gap, amount }) => ({ day: (day += gap), amount }));
          const amounts = longRunsBack(longs, { count: (from, to) => (isOff ? to - from + 1 : 0) }, LONG);
          amounts.forEach((amount, i) => {
            expect(amount).toBeLessThanOrEqual(longs[i]?.amount ?? 0);
            expect(amount).toBeGreaterThan(0);
            const before = amounts.slice(0, i);
            // No advice after days off is more than before them.
            if ((steps[i]?.gap ?? 0) > 10 && before.length > 0) expect(amount).toBeLessThanOrEqual(Math.max(...before));
          });
        },
      ),
      { numRuns: 500 },
    );
  });
});

test('ten days in bed are not followed by 34 km', () => {
  const season = seasonOf('marathon-18');
  const weeks = layOutSeason(season);
  const longest = longsIn(daysOf(weeks)).find(({ km }) => km === 34)?.date ?? '';
  // Back on the Friday before the long run of 34 km.
  const ill = illBetween(daysAfter(longest, -12), daysAfter(longest, -3));
  const own = longsIn(daysOf(seasonForAthlete({ ...season, exceptions: [ill] }, weeks, 'ada')));
  const kmOn = (days: number) => own.find(({ date }) => date === daysAfter(longest, days))?.km ?? 0;
  expect(kmOn(0)).toBeLessThanOrEqual(34 * (0.5 + 0.5 * 0.3));
  expect(kmOn(7)).toBeLessThanOrEqual(kmOn(0) + 2);
  // The others run on.
  expect(longsIn(daysOf(seasonForAthlete({ ...season, exceptions: [ill] }, weeks, 'bo')))).toEqual(
    longsIn(daysOf(weeks)),
  );
});

test('a rehearsal is not run while easing back', () => {
  const season = seasonOf('5k-12');
  const weeks = layOutSeason(season);
  const rehearsal = daysOf(weeks).find(({ special }) => special === 'rehearsal')?.date ?? '';
  const ill = illBetween(daysAfter(rehearsal, -8), daysAfter(rehearsal, -2));
  const own = daysOf(seasonForAthlete({ ...season, exceptions: [ill] }, weeks, 'ada')).find(
    ({ date }) => date === rehearsal,
  );
  expect(own).toMatchObject({ kind: 'easy', note: 'easing back' });
  expect(own).not.toHaveProperty('special');
});

describe('the squad after days off', () => {
  test('comes back over a week of transition, and goes on with each thread’s last step', () => {
    const whole = seasonOf('10k-16', {}, 20);
    const season = { ...whole, daysOff: [off(on(12, 2), on(13, 3))] };
    const weeks = layOutSeason(season);
    expect(
      weeks
        .slice(10, 14)
        .map(({ phase }) => phase)
        .at(-2),
    ).toBe('transition');
    const steps = new Map<string, { step: number; date: string }[]>();
    for (const { thread, date } of daysOf(weeks))
      if (thread) steps.set(thread.id, [...(steps.get(thread.id) ?? []), { step: thread.step, date }]);
    const back = on(13, 4);
    const around = [...steps.values()].flatMap((turns) => {
      const first = turns.findIndex(({ date }) => date >= back);
      const [before, after] = [turns[first - 1], turns[first]];
      return before && after && first > 0 ? [after.step - before.step] : [];
    });
    expect(around.length).toBeGreaterThan(1);
    expect(new Set(around)).toEqual(new Set([0]));
  });
  test('has a shorter long run, and no step while off', () => {
    const season = { ...seasonOf('10k-16', {}, 20), daysOff: [off(on(11, 0), on(13, 6))] };
    const longs = longsIn(daysOf(layOutSeason(season)));
    const before = longs.filter(({ date }) => date < on(11, 0)).at(-1)?.km ?? 0;
    const after = longs.find(({ date }) => date > on(13, 6))?.km ?? 0;
    expect(after).toBeLessThanOrEqual(before * 0.7);
  });
  test('a season without sessions for the way back cuts its own', () => {
    const season = {
      ...seasonFrom(templateOf('stages'), { firstDay: MONDAY, races: [] }),
      daysOff: [off(on(4, 0), on(5, 6))],
    };
    const week = layOutSeason(season).find(({ from }) => from === on(6, 0));
    expect(week?.phase).toBe('transition');
    expect(week?.days.filter(({ kind }) => kind === 'hard').map(({ share }) => share)).toEqual([0.6, 0.6]);
  });
});

describe('round A races', () => {
  const A = (id: string, date: string) => ({ id, date, name: id, weight: 'A' as const });
  test('of two a fortnight apart the second has its own sessions only a week after the first', () => {
    for (const apart of [14, 17, 21, 28]) {
      const first = on(12, 6);
      const second = daysAfter(first, apart);
      const days = daysOf(layOutSeason({ ...seasonOf('5k-12'), races: [A('one', first), A('two', second)] }));
      const specials = days.filter(({ special }) => special === 'rehearsal' || special === 'indicator');
      const beforeFirst = specials.filter(({ date }) => date < first).map(({ special }) => special);
      expect(new Set(beforeFirst).size).toBe(beforeFirst.length);
      for (const { date } of specials.filter(({ date }) => date > first))
        expect(dayNumber(date) - dayNumber(first)).toBeGreaterThanOrEqual(7);
    }
  });
  test('a B race a week before leaves the sharp one for the fourth day before', () => {
    const race = A('one', on(12, 6));
    const b = { ...A('b', on(11, 6)), weight: 'B' as const };
    const days = daysOf(layOutSeason({ ...seasonOf('5k-12'), races: [b, race] }));
    expect(days.find(({ special }) => special === 'sharpener')?.date).toBe(daysAfter(race.date, -4));
  });
});

describe('hard work', () => {
  const minutesIn = (season: SeasonPlan, week: ReturnType<typeof layOutSeason>[number]) =>
    week.days.reduce((sum, day) => {
      const session = sessionOfDay(season, day);
      return session?.kind === 'session' ? sum + hardMinutes(session.shorthand) : sum;
    }, 0);
  test.each(
    seasonTemplates.filter(({ phases }) => phases.some(({ phase }) => phase === 'transition')).map(({ id }) => id),
  )('of %s is at most half as much again in the first full week', (id) => {
    const season = seasonOf(id);
    const weeks = layOutSeason(season);
    weeks.forEach((week, i) => {
      const before = weeks[i - 1];
      if (before?.phase !== 'transition' || week.phase !== 'early') return;
      // Reps are whole, so that it is about that.
      expect(minutesIn(season, week)).toBeLessThanOrEqual(minutesIn(season, before) * 1.65);
    });
  });
  test('is less in an easier week too', () => {
    const season = seasonOf('10k-16');
    const easier = layOutSeason(season).filter(({ days }) => days.some(({ note }) => note === 'easier week'));
    expect(easier.length).toBeGreaterThanOrEqual(2);
    for (const { days } of easier)
      for (const day of days.filter(({ kind }) => kind === 'hard')) expect(day.share).toBe(0.8);
  });
  test('beside a long run that counts as hard is two days at most', () => {
    const season = seasonFrom(templateOf('marathon-18'), { firstDay: MONDAY, races: [], hardDays: 3 });
    expect(season.rhythm.filter((kind) => kind === 'hard')).toHaveLength(2);
    expect(season.rhythm[5]).not.toBe('hard');
  });
});

test('too short a season says how far the long run gets', () => {
  const season = seasonOf('marathon-18', {}, 11);
  expect(tooShortFor(season, layOutSeason(season)).at(-1)).toMatch(
    /^The longest run before Harbour marathon comes to \d+(\.5)? km, where 34 is usual: begin earlier, or race a shorter distance\.$/,
  );
  const whole = seasonOf('marathon-18');
  expect(tooShortFor(whole, layOutSeason(whole))).toEqual([]);
});

test('a slow group’s long run ends after two and a half hours, a marathon’s after three', () => {
  const most = (id: string) =>
    seasonFrom(templateOf(id), { firstDay: MONDAY, races: [], slowestMinPerKm: 7.5 }).longRun?.most;
  expect([most('5k-12'), most('half-12'), most('marathon-18')]).toEqual([14, 20, 24]);
});

test('days off that overlap count once', () => {
  expect(offDaysOf([off('2026-10-01', '2026-10-05'), off('2026-10-03', '2026-10-07')]).count(0, 99_999)).toBe(7);
});
