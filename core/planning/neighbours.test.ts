import { curveBook } from '../paces/shippedPaceBooks';
import type { PaceBook } from '../paces/paceBook';
import type { SquadMember } from '../squad/athlete';
import { inverseOfDecision, withDecision } from './dayPlan';
import { neighboursOf } from './neighbours';

const athlete = (id: string, status: SquadMember['status'] = 'training'): SquadMember => ({
  id,
  name: id,
  tileName: id,
  status,
  marks: [],
});
const ownPaceBook: PaceBook = {
  ...curveBook,
  id: 'own',
  entries: [
    ...curveBook.entries,
    { name: 'cruise', short: 'cr', tolerance: 0.01, basis: { kind: 'held', durationS: 3600 } },
  ],
};
const source = {
  athletes: [athlete('ada'), athlete('bo'), athlete('cy', 'injured')],
  paceNames: [...curveBook.entries.map(({ name }) => name), 'cruise'],
  paceBook: ownPaceBook,
};
const session = (date: string, shorthand = '3x8min @cruise / 90s jog') => ({ title: date, date, shorthand });
const DAY = { date: '2026-11-25' };

test('a pace of the coach’s own is what their book says, also in the session beside', () => {
  const [beside] = neighboursOf(DAY, [session('2026-11-26')], source);
  expect(beside).toMatchObject({ isBefore: false, intent: 'threshold' });
  expect(beside?.athleteIds).toEqual(new Set(['ada', 'bo']));
});

test('only the day before and the day after, only what can be read, only who takes part', () => {
  const all = [
    session('2026-11-23'),
    { ...session('2026-11-24'), plan: { taking: { ada: false, cy: true } } },
    session('2026-11-25'),
    session('2026-11-26', 'what?'),
  ];
  const found = neighboursOf(DAY, all, source);
  expect(found.map(({ title, isBefore }) => [title, isBefore])).toEqual([['2026-11-24', true]]);
  expect(found[0]?.athleteIds).toEqual(new Set(['bo', 'cy']));
});

describe('a decision of a day', () => {
  test('that is taken back leaves what was decided after it', () => {
    const before = { rounding: 1 as const, venueId: 'track' };
    const changed = withDecision(before, { rounding: 0.5 });
    const later = withDecision(changed, { windowS: 5, venueId: 'loop' });
    expect(withDecision(later, inverseOfDecision({ rounding: 0.5 }, before))).toEqual({
      rounding: 1,
      windowS: 5,
      venueId: 'loop',
    });
  });
  test('of what nothing was decided about is as if it had never been', () => {
    const plan = withDecision({}, { windowS: 5 });
    expect(withDecision(plan, inverseOfDecision({ windowS: 5 }, {}))).toEqual({});
  });
});
