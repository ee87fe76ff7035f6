import { daysAfter } from '../units/dayNumber';
import { seasonForAthlete } from './athleteSeason';
import { layOutSeason } from './layout/layOut';
import { seasonFrom } from './templates/seasonFrom';
import { daysOf, type AthleteException, type SeasonPlan } from './season';
import { seasonTemplates, type SeasonTemplate } from './templates/templates';

const MONDAY = '2026-09-07';
const [FIVE_K] = seasonTemplates as [SeasonTemplate];
const entries = [{ athleteId: 'ada', distanceM: 5000 }];
const races = [
  { id: 'a', date: daysAfter(MONDAY, 83), name: 'Harbour', weight: 'A' as const, entries },
  { id: 'c', date: daysAfter(MONDAY, 40), name: 'Open', weight: 'C' as const },
];
const season = seasonFrom(FIVE_K, { firstDay: MONDAY, races });
const dayFor = (athleteId: string, date: string, exceptions: AthleteException[] = []) => {
  const plan: SeasonPlan = { ...season, exceptions };
  return daysOf(seasonForAthlete(plan, layOutSeason(plan), athleteId)).find((day) => day.date === date);
};
/** A hard day of the fourth week, and the one after it. */
const [HARD, NEXT] = [daysAfter(MONDAY, 22), daysAfter(MONDAY, 25)];
const ill: AthleteException = { id: 'e', athleteId: 'ada', kind: 'ill', from: daysAfter(HARD, -2), to: HARD };

test('ill is off, and the hard day after it is less', () => {
  expect(dayFor('ada', HARD, [ill])).toMatchObject({ kind: 'off', note: 'ill' });
  expect(dayFor('ada', HARD, [ill])).not.toHaveProperty('thread');
  expect(dayFor('ada', NEXT, [ill])).toMatchObject({ kind: 'hard', share: 0.6, note: 'easing back' });
  expect(dayFor('bo', HARD, [ill])).toMatchObject({ kind: 'hard' });
});

test('only the races they run; one that nobody is entered for yet is everybody’s', () => {
  const [harbour, open] = races.map(({ date }) => date) as [string, string];
  expect([dayFor('ada', harbour)?.kind, dayFor('bo', harbour)?.kind]).toEqual(['race', 'easy']);
  expect(dayFor('bo', open)?.kind).toBe('race');
  expect(dayFor('ada', HARD, [{ ...ill, kind: 'race' }])?.kind).toBe('race');
});
