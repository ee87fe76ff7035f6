import type { SquadMember } from '../squad/athlete';
import { daysAfter } from '../units/dayNumber';
import { dayView } from './dayView';
import { layOutSeason } from './layout/layOut';
import type { SeasonPlan } from './season';
import { seasonFrom } from './templates/seasonFrom';
import { seasonTemplates, type SeasonTemplate } from './templates/templates';
import { NO_LIBRARY } from './threads/threadSession';

const MONDAY = '2026-09-07';
const [FIVE_K] = seasonTemplates as [SeasonTemplate];
const RACE = {
  id: 'harbour',
  date: daysAfter(MONDAY, 83),
  name: 'Harbour meeting',
  weight: 'A' as const,
  place: 'Harbour',
};
const season = seasonFrom(FIVE_K, { firstDay: MONDAY, races: [RACE] });
const laid = (id: string, plan: SeasonPlan) => ({ id, version: 1, season: plan, weeks: layOutSeason(plan) });
const TUESDAY = daysAfter(MONDAY, 22);
const session = {
  id: 's1',
  title: 'Own session',
  date: TUESDAY,
  shorthand: 'warm: 1600 @easy\nmain: 6x400 @5k / 90s',
};
const run = { id: 'r1', sessionId: 's1', summary: { startedAtMs: 1 } };
const source = { seasons: [laid('a', season)], sessions: [], runs: [], athletes: [], library: NO_LIBRARY };

describe('a day of the week', () => {
  test('says what a hard day is run as', () => {
    expect(dayView(TUESDAY, source).entries).toMatchObject([
      {
        kind: 'hard',
        title: 'Threshold, longer reps',
        detail: '2x8:00 @threshold / 90s jog · first full week',
        seasonIds: ['a'],
      },
    ]);
  });
  test('is one entry where two groups do the same, and two where they do not', () => {
    const other = laid('b', { ...season, rhythm: ['easy', 'hard', 'off', 'easy', 'hard', 'off', 'long'] });
    const both = { ...source, seasons: [laid('a', season), other] };
    expect(dayView(TUESDAY, both).entries.map(({ seasonIds }) => seasonIds)).toEqual([['a', 'b']]);
    expect(dayView(daysAfter(TUESDAY, 1), both).entries.map(({ title }) => title)).toEqual([
      'Easy with strides',
      'Off',
    ]);
  });
  test('shows a written session with how it went, and one of no season by itself', () => {
    const fixed = [{ date: TUESDAY, kind: 'hard' as const, because: 'written' as const, sessionId: 's1' }];
    const written = { ...source, seasons: [laid('a', { ...season, fixed })], sessions: [session], runs: [run] };
    expect(dayView(TUESDAY, written).entries).toMatchObject([
      { title: 'Own session', detail: '6x400 @5k / 90s', run: { id: 'r1' }, seasonIds: ['a'] },
    ]);
    expect(dayView(TUESDAY, { ...source, seasons: [], sessions: [session] }).entries).toMatchObject([
      { title: 'Own session', seasonIds: [] },
    ]);
  });
  test('has its races, first, with where they are', () => {
    expect(dayView(RACE.date, source).entries[0]).toMatchObject({
      kind: 'race',
      title: 'Harbour meeting',
      detail: 'Harbour',
    });
  });
  test('says who is not as usual', () => {
    const exceptions = [{ id: 'e', athleteId: 'ada', kind: 'ill' as const, from: TUESDAY, to: TUESDAY }];
    const ada: SquadMember = { id: 'ada', name: 'Ada', tileName: 'Ada', status: 'training', marks: [] };
    const view = (date: string) =>
      dayView(date, { ...source, seasons: [laid('a', { ...season, exceptions })], athletes: [ada] }).away.map(
        ({ reason }) => reason,
      );
    expect([view(TUESDAY), view(daysAfter(TUESDAY, 1)), view(daysAfter(TUESDAY, 2))]).toEqual([
      ['ill'],
      ['easing back'],
      [],
    ]);
  });
  test('is empty outside every season', () => expect(dayView('2026-01-01', source).entries).toEqual([]));
});
