import type { LibraryChange } from '../library/librarySession';
import { STARTERS } from '../library/starters';
import { libraryChangeSchema } from './librarySchemas';
import { check } from './check';

const ID = '01ARZ3NDEKTSV4RRFFQ69G5FAV';
const session = { id: ID, title: 'Six quick ones', shorthand: '6x400 @5k', tags: ['wet'] };
const progression = { id: ID, name: 'Up', lever: 'more', stepIds: [ID] };
const refusal = (change: object) => {
  const checked = check(libraryChangeSchema, change);
  return checked.ok ? undefined : `${checked.field}: ${checked.message}`;
};

test('every starter session is one that may be kept, with all that is said of it', () => {
  const change: LibraryChange = { sessions: [...STARTERS] };
  expect(check(libraryChangeSchema, change)).toEqual({ ok: true, value: change });
});

test('a draft may be kept; titles and tags lose the spaces round them', () => {
  const sent = { ...session, title: '  Half a thought ', shorthand: '', tags: [' wet '] };
  expect(check(libraryChangeSchema, { sessions: [sent] })).toEqual({
    ok: true,
    value: { sessions: [{ ...sent, title: 'Half a thought', tags: ['wet'] }] },
  });
});

test.each<[string, object, RegExp]>([
  ['no tags at all', { sessions: [{ ...session, tags: undefined }] }, /sessions\[0\].tags/],
  ['a tag twice', { sessions: [{ ...session, tags: ['a', 'a'] }] }, /tags/],
  ['a tag as long as a sentence', { sessions: [{ ...session, tags: ['x'.repeat(31)] }] }, /30 characters at most/],
  ['a favourite that is none', { sessions: [{ ...session, favourite: false }] }, /favourite/],
  ['a purpose as long as a book', { sessions: [{ ...session, purpose: 'x'.repeat(501) }] }, /500 characters at most/],
  ['two of one id', { sessions: [session, session] }, /sessions/],
  ['a progression without a name', { progressions: [{ ...progression, name: ' ' }] }, /needs a name/],
  ['a lever there is not', { progressions: [{ ...progression, lever: 'harder' }] }, /lever/],
  ['too many steps', { progressions: [{ ...progression, stepIds: Array(51).fill(ID) }] }, /50 steps at most/],
  ['what nobody asked for', { sessions: [], more: [] }, /more/],
])('%s is refused', (_what, change, message) => expect(refusal(change)).toMatch(message));
