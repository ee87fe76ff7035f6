import type { DayPlan } from '@core/planning/dayPlan';
import { api } from './api';
import { store } from './store';

const SESSION = { id: 'one', title: 'Reps', date: '2026-10-20', shorthand: '400' };
const FIRST: DayPlan = { windowS: 1 };

/** Each write waits for its answer. */
const mockAnswers: ((isTaken: boolean) => void)[] = [];
jest.mock('./baseQuery', () => ({
  baseQuery: () =>
    new Promise((resolve) => {
      mockAnswers.push((isTaken) => resolve(isTaken ? { data: {} } : { error: { status: 400, data: {} } }));
    }),
}));

beforeEach(() => {
  store.dispatch(
    api.util.upsertQueryEntries([
      { endpointName: 'session', arg: 'one', value: { ...SESSION, plan: FIRST } },
      { endpointName: 'sessionsOn', arg: { from: '2026-10-01' }, value: [{ ...SESSION, plan: FIRST }] },
    ]),
  );
});

/** The plan as the session's own screens show it; lists of days must show the same. */
function shown(): DayPlan | undefined {
  const { plan } = api.endpoints.session.select('one')(store.getState()).data ?? {};
  expect(api.endpoints.sessionsOn.select({ from: '2026-10-01' })(store.getState()).data?.[0]?.plan).toEqual(plan);
  return plan;
}
const write = (plan: DayPlan) => store.dispatch(api.endpoints.putDayPlan.initiate({ sessionId: 'one', plan }));
/** Answers the next write, once it is on its way. */
async function answer(isTaken: boolean): Promise<void> {
  while (mockAnswers.length === 0) await new Promise((resolve) => setTimeout(resolve));
  mockAnswers.shift()?.(isTaken);
}

test('a write that is refused does not take the place of the next one on the screen', async () => {
  const [second, third] = [write({ windowS: 2 }), write({ windowS: 3 })];
  expect(shown()).toEqual({ windowS: 3 });
  await answer(false);
  await second;
  expect(shown()).toEqual({ windowS: 3 });
  await answer(true);
  await third;
  expect(shown()).toEqual({ windowS: 3 });
});

test('where the last is refused, what the server last took is on the screen', async () => {
  const [second, third] = [write({ windowS: 2 }), write({ windowS: 3 })];
  await answer(true);
  await second;
  await answer(false);
  await third;
  expect(shown()).toEqual({ windowS: 2 });
});

test('where all are refused, it is as it was', async () => {
  const writes = [write({ windowS: 2 }), write({ windowS: 3 })];
  await answer(false);
  await answer(false);
  await Promise.all(writes);
  expect(shown()).toEqual(FIRST);
});

test('a plan that is written right after its session is on the screen, though the session came into the cache in between', async () => {
  const session = { id: 'new', title: 'Reps', date: '2026-10-27', shorthand: '6x400' };
  const putSession = store.dispatch(api.endpoints.putSession.initiate(session));
  await answer(true);
  await putSession;
  const putPlan = store.dispatch(api.endpoints.putDayPlan.initiate({ sessionId: 'new', plan: { windowS: 5 } }));
  // Whatever the first answer's echo does to the cache meanwhile.
  await store.dispatch(api.util.upsertQueryData('session', 'new', session));
  await answer(true);
  await putPlan;
  expect(api.endpoints.session.select('new')(store.getState()).data).toEqual({ ...session, plan: { windowS: 5 } });
});
