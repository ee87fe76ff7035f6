import type { LibrarySession, Progression } from '../../library/librarySession';
import { read } from '../../session/testing';
import { formatSession } from '../../session/formatSession';
import type { SeasonPlan, Thread } from '../season';
import { shippedThreads } from './threads';
import { cutTo, fittedTo } from './cut';
import { sessionOfDay, type Library } from './threadSession';

const stored = (id: string, shorthand: string): LibrarySession => ({ id, title: id, shorthand, tags: [] });
const library: Library = {
  sessions: [stored('one', 'main: 4x400 @5k / 60s'), stored('two', 'main: 6x400 @5k / 60s')],
  progressions: [{ id: 'p', name: 'P', lever: 'more', stepIds: ['one', 'two'] } satisfies Progression],
};
const ownThread: Thread = {
  id: 't',
  name: 'Own 400s',
  intent: 'aerobic-power',
  stages: [],
  chain: [{ lever: 'more', by: 1 }],
  spacingDays: 7,
};
const plan = (thread: Thread): Pick<SeasonPlan, 'threads' | 'specials'> => ({ threads: [thread], specials: {} });
const at = (thread: Thread, step: number, share?: number) =>
  sessionOfDay(
    plan(thread),
    { kind: 'hard', thread: { id: thread.id, step }, ...(share === undefined ? {} : { share }) },
    library,
  );

test('a thread goes through the steps of a progression, and on by its lever', () => {
  const thread = { ...ownThread, progressionId: 'p' };
  expect(at(thread, 0)).toMatchObject({ title: 'Own 400s', shorthand: 'main: 4x400 @5k / 60s', libraryId: 'one' });
  expect(at(thread, 1)).toMatchObject({ title: 'Own 400s, 2', shorthand: 'main: 6x400 @5k / 60s', libraryId: 'two' });
  expect(at(thread, 2)).toMatchObject({ shorthand: expect.stringContaining('7x400 @5k') as string });
});

test('a thread grows from one session in the library', () => {
  expect(at({ ...ownThread, libraryId: 'two' }, 2)).toMatchObject({
    shorthand: expect.stringContaining('8x400') as string,
  });
});

test('a thread whose session is gone says so', () => {
  expect(at({ ...ownThread, libraryId: 'gone' }, 0)).toEqual({
    kind: 'gone',
    text: '“Own 400s” names a session that is no longer in the library.',
  });
  expect(at({ ...ownThread, progressionId: 'gone' }, 0)?.kind).toBe('gone');
  expect(sessionOfDay({ threads: [], specials: {} }, { kind: 'hard', thread: { id: 't', step: 0 } })?.kind).toBe(
    'gone',
  );
  expect(sessionOfDay({ threads: [], specials: {} }, { kind: 'hard', special: 'indicator' })?.kind).toBe('gone');
});

test('a ladder comes again, a second a lap faster', () => {
  const [stages] = shippedThreads(['stages']) as [Thread];
  const { shorthand } = at(stages, 3) as { shorthand: string };
  expect(shorthand).toContain('6x300 @goal 5k-1s/400');
});

test.each([
  ['main: 6x900 @5k / 100s jog', 'main: 4x900 @5k / 1:40 jog'],
  ['main: 20min @tempo', 'main: 12min @tempo'],
  ['main: 3x(400 @5k / 60s, 200 @mile / 60s) / 3:00', 'main: 2x(400 @5k / 60s, 200 @mile / 60s) / 3:00'],
  ['warm: 1600 @easy\nmain: 10-12x300 @3k / 60s', 'warm: 1600 @easy\nmain: 6-7x300 @3k / 60s'],
  ['main: open x 900|500 @threshold / 45s', 'main: open x 900|500 @threshold / 45s'],
])('%s cut to 60 %% of its reps at the same pace', (text, cut) =>
  expect(formatSession(cutTo(read(text), 0.6))).toBe(formatSession(read(cut))),
);

test.each([
  ['main: 12x300 @5k / 30s', 'main: 8x300 @5k / 30s'],
  ['main: 3x8min @threshold / 90s', 'main: 3x8min @threshold / 90s'],
  ['main: 4x(900 @10k / 2:00, 600 @3k / 3:00)', 'main: 3x(900 @10k / 2:00, 600 @3k / 3:00)'],
  ['main: 1500 @5k / 4:00, 4x2:00 @5k / 60s', 'main: 1000 @5k / 4:00, 4x2:00 @5k / 60s'],
])('%s fitted to a group half as slow again', (text, fitted) =>
  expect(formatSession(fittedTo(read(text), 1.5))).toBe(formatSession(read(fitted))),
);

test('a cut-down session is no longer the one of the library', () => {
  const cut = at({ ...ownThread, progressionId: 'p' }, 1, 0.5);
  expect(cut).toMatchObject({ shorthand: 'main: 3x400 @5k / 60s' });
  expect(cut).not.toHaveProperty('libraryId');
});

test('an easy day has no session', () => expect(sessionOfDay(plan(ownThread), { kind: 'easy' })).toBeUndefined());
