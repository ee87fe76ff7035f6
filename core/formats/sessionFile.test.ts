import fs from 'node:fs';
import path from 'node:path';
import Ajv from 'ajv/dist/2020';
import fc from 'fast-check';
import type { LibrarySession } from '../library/librarySession';
import { STARTERS } from '../library/starters';
import { PACE_NAMES } from '../session/paceNames';
import { formatSession } from '../session/formatSession';
import type { SessionTree } from '../session/session';
import { anySession, read } from '../session/testing';
import { check } from '../api/check';
import { readSessions, sessionsFileSchema, writeSessionsFile, writeSessionText } from './sessionFile';
import { sessionsJsonSchema } from './sessionSchema';
import { sessionTreeSchema } from './sessionTree';

let made = 0;
const newId = () => `${++made}`.padStart(26, '0');
const readFor = { known: [] as LibrarySession[], paceNames: PACE_NAMES, newId };
const FOR_FILE = { savedOn: '2027-05-04', paceNames: PACE_NAMES };
const session = (more: Partial<LibrarySession> = {}): LibrarySession => ({
  id: newId(),
  title: 'Six quick ones',
  shorthand: '# grass\n6X400@5k/90s',
  tags: ['wet'],
  ...more,
});
const fileOf = (sent: object) => JSON.stringify({ format: 'zest-lap/sessions', version: 1, sessions: [sent] });
const readOne = (text: string, name = 'x.txt') => readSessions(text, name, readFor);

describe('a file of sessions', () => {
  test('a whole library comes back as it was, with its progressions', () => {
    const [a, b] = STARTERS as [LibrarySession, LibrarySession];
    const progression = { id: newId(), name: 'Up', lever: 'more' as const, stepIds: [a.id, b.id] };
    const back = readOne(writeSessionsFile(STARTERS, [progression], FOR_FILE));
    if (!back.ok) throw new Error(back.message);
    const without = ({ id: _id, ...rest }: LibrarySession) => rest;
    expect(back.change.sessions?.map(without)).toEqual(STARTERS.map(without));
    expect(back.found.every(({ state }) => state === 'new')).toBe(true);
    const ids = back.change.sessions?.slice(0, 2).map(({ id }) => id);
    expect(back.change.progressions).toEqual([{ id: expect.any(String), name: 'Up', lever: 'more', stepIds: ids }]);
  });

  test('what is in the library already is passed over', () => {
    const knownSessions = [session()];
    const file = writeSessionsFile([...knownSessions, session({ title: 'Another' })], [], FOR_FILE);
    const back = readSessions(file, '', { ...readFor, known: knownSessions });
    expect(back).toMatchObject({ ok: true, found: [{ state: 'known' }, { state: 'new' }] });
    expect(back.ok && back.change.sessions?.map(({ title }) => title)).toEqual(['Another']);
  });

  test('a session as text has its title in the first line; without one the file’s name', () => {
    const candidate = session();
    const written = writeSessionText(candidate);
    expect(written).toBe('# Six quick ones\n# grass\n6X400@5k/90s\n');
    expect(readOne(written)).toMatchObject({
      ok: true,
      change: { sessions: [{ title: candidate.title, shorthand: candidate.shorthand }] },
    });
    expect(readOne('\uFEFF6x400 @5k\r\n', 'Tuesday.txt')).toMatchObject({
      change: { sessions: [{ title: 'Tuesday', shorthand: '6x400 @5k' }] },
    });
  });

  test('text and tree: the tree counts where they differ, the coach’s own words where they do not', () => {
    const tree = read('6x400 @5k / 90s');
    const textOf = (sent: object) => {
      const back = readOne(fileOf({ title: 'T', ...sent }));
      return back.ok ? back.change.sessions?.[0]?.shorthand : back.message;
    };
    expect(textOf({ shorthand: '# mine\n6X400@5k/90s', session: tree })).toBe('# mine\n6X400@5k/90s');
    expect(textOf({ shorthand: '8x400 @5k', session: tree })).toBe('main: 6x400 @5k / 90s');
    expect(textOf({ session: tree })).toBe('main: 6x400 @5k / 90s');
    expect(textOf({ shorthand: '6x400 @5k' })).toBe('6x400 @5k');
  });

  test('an unknown pace is no reason to lose a session: it is taken over as a draft', () => {
    const tree: SessionTree = JSON.parse(JSON.stringify(read('6x400 @5k'))) as SessionTree;
    const sent = fileOf({
      title: 'Cruise',
      session: JSON.parse(JSON.stringify(tree).replace('5k', 'cruise')) as SessionTree,
    });
    expect(readOne(sent)).toMatchObject({
      ok: true,
      found: [
        {
          title: 'Cruise',
          state: 'draft',
          trouble: expect.stringMatching(/“cruise” is not a pace in the pace book/) as string,
        },
      ],
      change: { sessions: [{ shorthand: 'main: 6x400 @cruise' }] },
    });
  });

  test.each([
    ['', /The file is empty. Nothing was imported/],
    ['{"format":', /not readable JSON/],
    ['[]', /not a file of sessions/],
    ['{"format":"zest-lap/athlete","version":1}', /not a file of sessions/],
    ['{"format":"zest-lap/sessions","version":7,"sessions":[]}', /newer Zest Lap \(version 7, this one knows 1\)/],
    [fileOf({ title: '' }), /At sessions\[0\].title: A title is needed/],
    [fileOf({ title: 'T' }), /must contain at least one of/],
    [fileOf({ title: 'T', shorthand: '400', surprise: 1 }), /surprise/],
    [fileOf({ title: 'T', session: { lines: [] } }), /lines/],
    [
      fileOf({ title: 'T', session: { lines: [{ role: 'main', items: [{ count: { kind: 'many' } }] }] } }),
      /no known kind: fixed, range, open/,
    ],
    ['x'.repeat(30_000), /20 000 characters at most/],
  ])('%.60s is refused with a sentence', (text, message) =>
    expect(readOne(text)).toEqual({ ok: false, message: expect.stringMatching(message) as string }),
  );
});

describe('the published JSON Schema', () => {
  const published = JSON.parse(
    fs.readFileSync(path.join(__dirname, '../../docs/sessions.schema.json'), 'utf8'),
  ) as object;
  const fits = new Ajv({ strict: false }).compile(published);

  test('is what the app checks with (npm run schemas)', () => expect(published).toEqual(sessionsJsonSchema()));

  test('every session of the app fits it, and comes back the same', () => {
    fc.assert(
      fc.property(anySession, (tree) => {
        const file = writeSessionsFile([session({ shorthand: formatSession(tree) })], [], FOR_FILE);
        const written = JSON.parse(file) as { sessions: { session: SessionTree }[] };
        expect(fits(written)).toBe(true);
        expect(check(sessionTreeSchema, written.sessions[0]?.session)).toEqual({ ok: true, value: tree });
      }),
    );
  });

  test('it and the app refuse the same trees', () => {
    const broken: [string, string][] = [
      ['"distance"', '"far"'],
      ['"distanceM":400', '"distanceM":"400"'],
      ['"distanceM":400', '"distanceM":-400'],
      ['"main"', '"middle"'],
      ['"n":6', '"n":0'],
      ['"n":6', '"n":1000000'],
      ['"n":6', '"n":6.5'],
      ['"sequence":"ladder",', ''],
      ['"free":false', '"free":false,"more":1'],
      ['"items":[', '"items":[null,'],
    ];
    const good = fileOf({ title: 'T', session: read('6x400 @5k / 90s') });
    expect(fits(JSON.parse(good))).toBe(true);
    for (const [from, to] of broken) {
      const bad = JSON.parse(good.replace(from, to)) as object;
      expect([from, to, fits(bad)]).toEqual([from, to, false]);
      expect([from, to, check(sessionsFileSchema, bad).ok]).toEqual([from, to, false]);
    }
  });
});
