import { layOutSeason } from '@core/season/layout/layOut';
import { seasonFrom } from '@core/season/templates/seasonFrom';
import { seasonTemplates, type SeasonTemplate } from '@core/season/templates/templates';
import { daysAfter } from '@core/units/dayNumber';
import { knotsOf } from './SeasonThreads';
import { untilText } from './seasonText';
import { canTick, weekOf } from './weekView';

const MONDAY = '2026-09-07';
const TUESDAY = daysAfter(MONDAY, 22);
const [FIVE_K] = seasonTemplates as [SeasonTemplate];
const RACE = { id: 'harbour', date: daysAfter(MONDAY, 83), name: 'Harbour meeting', weight: 'A' as const };
const season = seasonFrom(FIVE_K, { firstDay: MONDAY, races: [RACE] });

test('the knots of a thread: run, next, and waiting where the coach held it', () => {
  const decisions = [{ threadId: 'thr', date: daysAfter(TUESDAY, 1), step: 'repeat' as const }];
  const weeks = layOutSeason({ ...season, decisions });
  const [thr] = season.threads.filter(({ id }) => id === 'thr');
  if (!thr) throw new Error('No thread.');
  expect(knotsOf(thr, weeks, daysAfter(TUESDAY, 2), new Set())).toMatchObject([
    { date: TUESDAY, state: 'run', isHeld: false },
    { state: 'next', isHeld: true },
  ]);
});

test('weeks begin on Monday or on Sunday', () => {
  expect(weekOf('2026-11-29')).toBe('2026-11-23');
  expect(weekOf('2026-11-29', { weekStart: 'sunday' })).toBe('2026-11-29');
});

test('how far off a day is', () => {
  const from = '2026-11-28';
  expect([0, 1, -1, -5, 6, 30].map((days) => untilText(daysAfter(from, days), from))).toEqual([
    'today',
    'tomorrow',
    'yesterday',
    '5 days ago',
    'in 6 days',
    'in 4 weeks',
  ]);
});

test('an easy day is ticked by hand on the day itself and afterwards, not before; a hard day is timed', () => {
  const entry = (kind: 'easy' | 'hard') => ({
    key: 'k',
    kind,
    seasonIds: ['s'],
    title: 'T',
    day: { date: TUESDAY, kind },
  });
  expect(canTick(entry('easy'), TUESDAY, TUESDAY)).toBe(true);
  expect(canTick(entry('easy'), TUESDAY, daysAfter(TUESDAY, 1))).toBe(true);
  expect(canTick(entry('easy'), TUESDAY, daysAfter(TUESDAY, -1))).toBe(false);
  expect(canTick(entry('hard'), TUESDAY, TUESDAY)).toBe(false);
});
