import { waitFor } from '@testing-library/react';
import type { LibrarySession } from '@core/library/librarySession';
import { STARTERS } from '@core/library/starters';
import { api } from '../store/api';
import { store } from '../store/store';
import { hook } from '../testing';
import { today } from '../ui/days';
import { useLibrary } from './useLibrary';
import { NOBODY } from './useSquad';

const own = (id: string, more: Partial<LibrarySession> = {}): LibrarySession => ({
  id,
  title: id,
  shorthand: '6x400 @5k / 90s',
  tags: [],
  ...more,
});
const LIBRARY = { sessions: [own('B'), own('A'), own('C', { favourite: true })], progressions: [] };

beforeEach(() => {
  store.dispatch(api.util.resetApiState());
  store.dispatch(
    api.util.upsertQueryEntries([
      { endpointName: 'athletes', arg: undefined, value: [] },
      { endpointName: 'squad', arg: undefined, value: NOBODY.settings },
      { endpointName: 'paceBooks', arg: undefined, value: [] },
      { endpointName: 'library', arg: undefined, value: LIBRARY },
    ]),
  );
});

/** The first three of the library, once it is shown. */
async function firstThree() {
  const { result } = hook(useLibrary);
  await waitFor(() => expect(result.current.library).toBeDefined());
  const entries = result.current.library?.entries ?? [];
  expect(entries).toHaveLength(LIBRARY.sessions.length + STARTERS.length);
  return entries.slice(0, 3).map(({ session }) => session.id);
}

test('favourites are first, then what was used last', async () => {
  const uses = { A: { days: 3, last: '2026-03-02' }, B: { days: 1, last: '2026-03-09' } };
  store.dispatch(api.util.upsertQueryEntries([{ endpointName: 'libraryUses', arg: today(), value: uses }]));
  expect(await firstThree()).toEqual(['C', 'B', 'A']);
});

test('it is not shown in another order first, while it is not known what was used', () => {
  jest.spyOn(global, 'fetch').mockReturnValueOnce(new Promise(() => undefined));
  expect(hook(useLibrary).result.current.library).toBeUndefined();
});

test('where that cannot be known it is shown all the same', async () => {
  jest.spyOn(global, 'fetch').mockRejectedValueOnce(new TypeError('away'));
  const [first] = await firstThree();
  expect(first).toBe('C');
});
