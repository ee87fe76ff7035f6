import type { LibrarySession } from '@core/library/librarySession';
import { STARTERS } from '@core/library/starters';
import { draftOf, sessionOf } from './libraryDraft';

const [starter] = STARTERS as [LibrarySession];

test('nothing is lost between a session in the library and its fields', () => {
  for (const session of STARTERS) expect(sessionOf(draftOf(session), session)).toEqual(session);
  const full: LibrarySession = { ...starter, intent: 'test', favourite: true, archived: true };
  expect(sessionOf(draftOf(full), full)).toEqual(full);
});

test('tags are the words between the commas, each once; what was emptied is left out', () => {
  const draft = { ...draftOf(starter), tags: ' wet, grass ,,wet', purpose: '  ', easier: ' Four. ' };
  const session = sessionOf(draft, starter);
  expect(session.tags).toEqual(['wet', 'grass']);
  expect(session).not.toHaveProperty('purpose');
  expect(session.easier).toBe('Four.');
  expect(session.harder).toBe(starter.harder);
});

test('a kind that is taken back is suggested again', () => {
  const set: LibrarySession = { ...starter, intent: 'speed' };
  expect(sessionOf({ ...draftOf(set), intent: undefined }, set)).not.toHaveProperty('intent');
});
