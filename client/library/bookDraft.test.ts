import type { BookSession } from '@core/library/bookSession';
import { STARTERS } from '@core/library/starters';
import { draftOf, sessionOf } from './bookDraft';

const [starter] = STARTERS as [BookSession];

test('nothing is lost between a session of the book and its fields', () => {
  for (const session of STARTERS) expect(sessionOf(draftOf(session), session)).toEqual(session);
  const full: BookSession = { ...starter, intent: 'test', favourite: true, archived: true };
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
  const set: BookSession = { ...starter, intent: 'speed' };
  expect(sessionOf({ ...draftOf(set), intent: undefined }, set)).not.toHaveProperty('intent');
});
