import { loadByWeek } from '../review/story';
import { daysAfter } from '../units/dayNumber';
import { easyDaysOf } from './easyDays';
import { layOutSeason } from './layout/layOut';
import { seasonFrom } from './templates/seasonFrom';
import { seasonTemplates, type SeasonTemplate } from './templates/templates';

const MONDAY = '2026-09-07';
const [FIVE_K] = seasonTemplates as [SeasonTemplate];
const season = {
  ...seasonFrom(FIVE_K, {
    firstDay: MONDAY,
    races: [{ date: daysAfter(MONDAY, 83), name: 'Harbour', weight: 'A' as const }],
    groups: ['east'],
  }),
  exceptions: [{ id: 'e', athleteId: 'bo', kind: 'ill' as const, from: MONDAY, to: daysAfter(MONDAY, 2) }],
  done: [{ date: MONDAY, amount: { unit: 'min' as const, amount: 50 }, notIds: ['cy'] }],
};
const seasons = [{ season, weeks: layOutSeason(season) }];
const WEEK = { from: MONDAY, to: daysAfter(MONDAY, 7) };
const of = (id: string, window = WEEK, groupId = 'east') => easyDaysOf({ id, groupId }, seasons, window);

test('easy days count as ticked, else as planned, and the long run with them', () => {
  const days = of('ada');
  // Monday to Sunday: easy, strides, strides, easy, easy, off, long run of 9 km.
  expect(days.map(({ minutes, effort }) => [minutes, effort])).toEqual([
    [50, 3],
    [40, 3],
    [40, 3],
    [35, 3],
    [35, 3],
    [49.5, 4],
  ]);
});

test('not for who did not run, was ill, or is of another group; nor before its day', () => {
  expect(of('cy').map(({ date }) => date)).not.toContain(MONDAY);
  expect(of('bo').map(({ date }) => date)[0]).toBe(daysAfter(MONDAY, 3));
  expect(of('ada', WEEK, 'west')).toEqual([]);
  expect(of('ada', { from: MONDAY, to: daysAfter(MONDAY, 1) })).toHaveLength(1);
});

test('they are part of the week’s load, and of no jump', () => {
  const dates = [-28, -21, -14, -7, 1].map((days) => daysAfter(MONDAY, days));
  const runs = dates.map((date) => ({ runId: date, date }) as Parameters<typeof loadByWeek>[0]['runs'][number]);
  const athletes = dates.map(
    (runId) =>
      ({ runId, athleteId: 'ada', isThere: true, finished: 3, minutes: 50, loadEffort: 6 }) as unknown as Parameters<
        typeof loadByWeek
      >[0]['athletes'][number],
  );
  const window = { from: daysAfter(MONDAY, -28), to: daysAfter(MONDAY, 6) };
  const weeks = loadByWeek({ runs, athletes }, [], window, of('ada'));
  const easyLoad = of('ada').reduce((sum, { date, minutes, effort }) => {
    // A recorded session on Tuesday stands for that day.
    return date === daysAfter(MONDAY, 1) ? sum : sum + minutes * effort;
  }, 0);
  expect(weeks.map(({ load }) => load)).toEqual([300, 300, 300, 300, 300 + easyLoad]);
  expect(weeks.at(-1)?.isJump).toBe(false);
});
