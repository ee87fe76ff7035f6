import { act } from '@testing-library/react';
import type { ScheduledSession } from '@core/api/answers';
import type { SquadMember } from '@core/squad/athlete';
import { daysAfter } from '@core/units/dayNumber';
import { api } from '../store/api';
import { store } from '../store/store';
import { hook } from '../testing';
import { NOBODY } from './useSquad';
import { usePlanning } from './usePlanning';

jest.mock('expo-router', () => ({ usePathname: () => '/sessions/plan/one' }));

const DATE = '2026-11-28';
const athlete = (id: string, timeS: number, more: Partial<SquadMember> = {}): SquadMember => ({
  id,
  name: id,
  tileName: id,
  status: 'training',
  marks: [{ distanceM: 5000, timeS, date: '2026-10-03', kind: 'race' }],
  ...more,
});
const [ADA, BO, CLEO] = [athlete('Ada', 1110), athlete('Bo', 1200), athlete('Cleo', 1150, { status: 'injured' })];
const SQUAD = { ...NOBODY, athletes: [ADA, BO, CLEO] };
const SESSION: ScheduledSession = { id: 'one', title: 'Even 400s', date: DATE, shorthand: 'main: 6x400 @5k / 90s' };
const range = { from: daysAfter(DATE, -1), to: daysAfter(DATE, 1) };

/** What the server has of the session and of the days around it. */
function stored(session: ScheduledSession, around: readonly ScheduledSession[] = []): void {
  act(() => {
    store.dispatch(
      api.util.upsertQueryEntries([
        { endpointName: 'session', arg: session.id, value: session },
        { endpointName: 'sessionsOn', arg: range, value: [session, ...around] },
      ]),
    );
  });
}

/** Lets what was asked of the server, which is away, be answered. */
const settled = () => act(() => new Promise((resolve) => setTimeout(resolve)));

async function planning(session = SESSION, around: readonly ScheduledSession[] = []) {
  stored(session, around);
  const { result } = hook(() => usePlanning(session, SQUAD));
  await settled();
  return () => {
    if (!result.current) throw new Error('It cannot be read.');
    return result.current;
  };
}

const planShown = () => api.endpoints.session.select('one')(store.getState()).data?.plan;

test('athletes in training take part, each with targets by their own curve', async () => {
  const plan = await planning();
  expect(plan().running.map(({ id }) => id)).toEqual(['Ada', 'Bo']);
  const firstTarget = (id: string) =>
    plan()
      .plans.find(({ runner }) => runner.id === id)
      ?.legs.find(({ kind }) => kind === 'rep')?.targetS ?? 0;
  expect(firstTarget('Ada')).toBeCloseTo((400 / 5000) * 1110, 0);
  expect(firstTarget('Bo')).toBeGreaterThan(firstTarget('Ada'));
  expect([...plan().outlooks.keys()]).toEqual(['Ada', 'Bo']);
});

test('who takes part is the coach’s to say, at once on the screen', async () => {
  const plan = await planning();
  await act(async () => plan().decide({ taking: { Bo: false, Cleo: true } }));
  await settled();
  // There is no server: what was shown at once is taken back.
  expect(planShown()).toBeUndefined();
  stored({ ...SESSION, plan: { taking: { Bo: false, Cleo: true } } });
  const decided = await planning({ ...SESSION, plan: { taking: { Bo: false, Cleo: true } } });
  expect(decided().running.map(({ id }) => id)).toEqual(['Ada', 'Cleo']);
});

test('a change for one athlete is theirs alone', async () => {
  const change = {
    whom: { kind: 'athlete' as const, athleteId: 'Bo' },
    path: [0, 0],
    wrote: '6x400 @5k / 90s',
    set: { kind: 'count' as const, n: 4 },
  };
  const plan = await planning({ ...SESSION, plan: { changes: [change] } });
  const reps = plan().plans.map(({ runner, legs }) => [
    runner.id,
    legs.filter(({ kind, role }) => kind === 'rep' && role === 'main').length,
  ]);
  expect(reps).toEqual([
    ['Ada', 6],
    ['Bo', 4],
  ]);
});

test('a hard session the day before is told of, with whom it concerns', async () => {
  const before: ScheduledSession = {
    id: 'two',
    title: 'Mile reps',
    date: daysAfter(DATE, -1),
    shorthand: 'main: 6x400 @mile / 3:00',
    plan: { taking: { Bo: false } },
  };
  const quiet = (await planning())().cautions;
  const told = (await planning(SESSION, [before]))().cautions;
  const fresh = told.filter((caution) => !quiet.includes(caution));
  expect(fresh.join(' ')).toContain('Mile reps');
});

test('a text that cannot be read has no plan', async () => {
  const draft = { ...SESSION, shorthand: '6x @' };
  stored(draft);
  const { result } = hook(() => usePlanning(draft, SQUAD));
  await settled();
  expect(result.current).toBeUndefined();
});
