import { api } from './api';
import { store } from './store';

test('what is decided reaches the screens before the next press can come', async () => {
  const session = { id: 'one', title: 'Reps', date: '2026-10-20', shorthand: '400' };
  store.dispatch(api.util.upsertQueryEntries([{ endpointName: 'session', arg: 'one', value: session }]));
  await Promise.resolve();
  const heard = jest.fn();
  store.subscribe(heard);
  store.dispatch(
    api.util.updateQueryData('session', 'one', (session) => {
      session.plan = { windowS: 3 };
    }),
  );
  await Promise.resolve();
  expect(heard).toHaveBeenCalled();
});
