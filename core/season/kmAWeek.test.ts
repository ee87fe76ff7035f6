import fc from 'fast-check';
import { daysAfter } from '../units/dayNumber';
import { changeSeason } from './changes';
import { isSeasonFor, kmAWeek, withKmAWeek, type KmSource } from './kmAWeek';
import { layOutSeason } from './layout/layOut';
import { ranInWeek } from './load';
import { aboutAthleteInSeason, seasonWithoutAthlete } from './ownSeason';
import { daysOf, type DayDone, type SeasonPlan } from './season';
import { seasonFrom } from './templates/seasonFrom';
import { seasonTemplates, type SeasonTemplate } from './templates/templates';

const MONDAY = '2026-09-07';
const [FIVE_K] = seasonTemplates as [SeasonTemplate];
const PLAN = seasonFrom(FIVE_K, {
  firstDay: MONDAY,
  races: [{ id: 'harbour', date: daysAfter(MONDAY, 83), name: 'Harbour meeting', weight: 'A' }],
});
/** The first day of the ninth week: four whole weeks lie behind. */
const TODAY = daysAfter(MONDAY, 56);
const ada = { id: 'ada' };

const toRun = (season: SeasonPlan) =>
  daysOf(layOutSeason(season)).filter(
    ({ date, kind }) => date < TODAY && date >= daysAfter(TODAY, -28) && kind !== 'off' && kind !== 'race',
  );
const ticked = (season: SeasonPlan, amount: DayDone['amount'], more: Partial<DayDone> = {}): SeasonPlan => ({
  ...season,
  done: toRun(season).map(({ date }) => ({ date, amount, ...more })),
});
const source = (season: SeasonPlan, more: Partial<KmSource> = {}): KmSource => ({
  seasons: [{ season, weeks: layOutSeason(season) }],
  ranMinutes: new Map(),
  today: TODAY,
  ...more,
});

test('what was ticked in the last four weeks is the mean of them', () => {
  const season = ticked(PLAN, { unit: 'km', amount: 6 });
  const weekly = (toRun(season).length * 6) / 4;
  expect(kmAWeek(ada, source(season))).toEqual({ km: Math.round(weekly), from: 'ticked' });
});

test('minutes become kilometres by their own easy running', () => {
  const season = ticked(PLAN, { unit: 'min', amount: 42 });
  const slow = kmAWeek(ada, source(season, { minPerKm: () => 7 }))?.km;
  expect(slow).toBe(kmAWeek(ada, source(ticked(PLAN, { unit: 'km', amount: 6 })))?.km);
  // Of somebody without marks a club runner's.
  expect(kmAWeek(ada, source(season, { minPerKm: () => undefined }))?.km).toBeGreaterThan(slow ?? 0);
});

test('told where too little is ticked, and nothing where nothing is known', () => {
  const few: SeasonPlan = { ...PLAN, done: [{ date: daysAfter(TODAY, -2), amount: { unit: 'km', amount: 30 } }] };
  expect(kmAWeek(ada, source(few))).toBeUndefined();
  expect(kmAWeek({ ...ada, weeklyKm: 25 }, source(few))).toEqual({ km: 25, from: 'told' });
  expect(kmAWeek({ ...ada, weeklyKm: 25 }, source(ticked(PLAN, { unit: 'km', amount: 6 })))?.from).toBe('ticked');
});

test('whoever did not run that day has none of it', () => {
  const season = ticked(PLAN, { unit: 'km', amount: 6 }, { notIds: ['bo'] });
  expect(kmAWeek({ id: 'bo' }, source(season))?.km).toBe(0);
  expect(kmAWeek(ada, source(season))?.km).toBeGreaterThan(20);
});

test('days away do not count', () => {
  const season = ticked(PLAN, { unit: 'km', amount: 6 });
  const away: SeasonPlan = {
    ...season,
    exceptions: [{ id: 'e', athleteId: 'ada', kind: 'away', from: daysAfter(TODAY, -14), to: daysAfter(TODAY, -1) }],
  };
  const [here, gone] = [season, away].map((plan) => kmAWeek(ada, source(plan))?.km ?? 0);
  expect(Math.abs((here ?? 0) - (gone ?? 0))).toBeLessThan(6);
});

test('sessions that were run count with their minutes', () => {
  const [hard] = toRun(PLAN).filter(({ kind }) => kind === 'hard');
  const date = hard?.date ?? '';
  const season: SeasonPlan = {
    ...ticked(PLAN, { unit: 'km', amount: 6 }),
    fixed: [{ date, kind: 'hard', because: 'written', sessionId: 's' }],
  };
  const without = { ...season, done: season.done?.filter((done) => done.date !== date) ?? [] };
  const run = source(without, { ranMinutes: new Map([['s', 55]]), minPerKm: () => 5.5 });
  const base = kmAWeek(ada, source(without))?.km ?? 0;
  expect(kmAWeek(ada, run)?.km).toBeGreaterThan(base + 1);
});

test('another group’s season says nothing of them', () => {
  const season: SeasonPlan = { ...ticked(PLAN, { unit: 'km', amount: 6 }), groupIds: ['milers'] };
  expect(isSeasonFor(season, {})).toBe(false);
  expect(kmAWeek(ada, source(season))).toBeUndefined();
  expect(kmAWeek({ ...ada, groupId: 'milers' }, source(season))?.from).toBe('ticked');
});

test('an athlete with what was ticked; the same one where that changes nothing', () => {
  const member = { id: 'ada', name: 'Ada', tileName: 'Ada', status: 'training' as const, marks: [], weeklyKm: 10 };
  expect(withKmAWeek(member, source(PLAN))).toBe(member);
  expect(withKmAWeek(member, source(ticked(PLAN, { unit: 'km', amount: 6 }))).weeklyKm).toBeGreaterThan(20);
});

test('more ticked is never fewer kilometres', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 30, noNaN: true }),
      fc.double({ min: 0, max: 10, noNaN: true }),
      (km, more) => {
        const of = (amount: number) => kmAWeek(ada, source(ticked(PLAN, { unit: 'km', amount })))?.km ?? 0;
        expect(of(km + more)).toBeGreaterThanOrEqual(of(km));
      },
    ),
    { numRuns: 30 },
  );
});

describe('a tick', () => {
  const date = daysAfter(TODAY, -1);
  const done = { amount: { unit: 'min', amount: 40 }, notIds: ['bo'] } as const;
  const season = changeSeason(PLAN, { kind: 'done', date, done: { ...done, notIds: ['bo'] } }, TODAY);
  test('is set, set again and taken back', () => {
    expect(season.done).toEqual([{ date, ...done }]);
    const again = changeSeason(season, { kind: 'done', date, done: { amount: { unit: 'km', amount: 8 } } }, TODAY);
    expect(again.done).toEqual([{ date, amount: { unit: 'km', amount: 8 } }]);
    expect(changeSeason(again, { kind: 'done', date, done: undefined }, TODAY).done).toEqual([]);
  });
  test('counts into the week that was run', () => {
    const week = layOutSeason(season).find(({ days }) => days.some((day) => day.date === date));
    expect(week && ranInWeek(week, { done: season.done, ranMinutes: new Map() })).toBe(40);
  });
  test('says of an athlete that they did not run, until they are taken out', () => {
    expect(aboutAthleteInSeason(season, 'bo')).toEqual({ notRun: [date] });
    expect(JSON.stringify(seasonWithoutAthlete(season, 'bo'))).not.toContain('bo"');
    expect(seasonWithoutAthlete(season, 'bo').done).toEqual([{ date, amount: done.amount }]);
  });
});
