import fc from 'fast-check';
import { inverseOfLibraryChange } from './libraryChange';
import type { LibraryChange, LibrarySession, Progression } from './librarySession';
import { STARTERS, withStarters } from './starters';

const session = (id: string, title = id): LibrarySession => ({ id, title, shorthand: '400 @5k', tags: [] });
const progression = (id: string, stepIds: string[]): Progression => ({ id, name: id, lever: 'more', stepIds });

type Kept = { sessions: LibrarySession[]; progressions: Progression[] };

/** What the server does with a change. */
function after(kept: Kept, change: LibraryChange): Kept {
  const put = <T extends { id: string }>(list: readonly T[], sent: readonly T[] = [], gone: readonly string[] = []) =>
    [...list.filter(({ id }) => !sent.some((item) => item.id === id) && !gone.includes(id)), ...sent]
      .filter(({ id }) => !gone.includes(id))
      .sort((a, b) => a.id.localeCompare(b.id));
  return {
    sessions: put(kept.sessions, change.sessions, change.removedSessionIds),
    progressions: put(kept.progressions, change.progressions, change.removedProgressionIds),
  };
}
const whole = ({ sessions, progressions }: Kept) => ({
  sessions: withStarters(sessions).sort((a, b) => a.id.localeCompare(b.id)),
  progressions,
});

test('what was added goes, what was changed or removed comes back', () => {
  const library = whole({ sessions: [session('a'), session('b')], progressions: [progression('p', ['a'])] });
  expect(
    inverseOfLibraryChange(
      {
        sessions: [session('a', 'new title'), session('c')],
        removedSessionIds: ['b'],
        progressions: [progression('q', ['a', 'c'])],
        removedProgressionIds: ['p'],
      },
      library,
    ),
  ).toEqual({
    sessions: [session('a'), session('b')],
    removedSessionIds: ['c'],
    progressions: [progression('p', ['a'])],
    removedProgressionIds: ['q'],
  });
});

test('a starter session that was changed is as it came', () => {
  const [starter] = STARTERS as [LibrarySession];
  const changed = { ...starter, favourite: true as const };
  expect(inverseOfLibraryChange({ sessions: [changed] }, whole({ sessions: [], progressions: [] }))).toMatchObject({
    sessions: [starter],
    removedSessionIds: [],
  });
});

test('any change and then its inverse leave the library as it was', () => {
  const ids = ['a', 'b', 'c', 'd', STARTERS[0]?.id ?? '', STARTERS[1]?.id ?? ''];
  const sessions = fc.uniqueArray(
    fc
      .record({ id: fc.constantFrom(...ids), title: fc.string({ maxLength: 3 }) })
      .map(({ id, title }) => session(id, title)),
    { selector: ({ id }) => id, maxLength: 4 },
  );
  const progressions = fc.uniqueArray(
    fc.constantFrom('p', 'q', 'r').map((id) => progression(id, ['a'])),
    { selector: ({ id }) => id, maxLength: 3 },
  );
  fc.assert(
    fc.property(
      sessions,
      progressions,
      sessions,
      progressions,
      fc.subarray(ids.slice(0, 4)),
      (ownSessions, families, sent, made, gone) => {
        const before = after({ sessions: [], progressions: [] }, { sessions: ownSessions, progressions: families });
        const change: LibraryChange = {
          sessions: sent.filter(({ id }) => !gone.includes(id)),
          removedSessionIds: gone.filter((id) => ownSessions.some((session) => session.id === id)),
          progressions: made,
        };
        const back = inverseOfLibraryChange(change, whole(before));
        expect(whole(after(after(before, change), back))).toEqual(whole(before));
      },
    ),
  );
});
