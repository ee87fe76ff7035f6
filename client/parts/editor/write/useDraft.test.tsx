import { act } from '@testing-library/react';
import { PACE_NAMES } from '@core/session/paceNames';
import { hook } from '../../../testing';
import { keptDraft } from './keptDraft';
import { UNNAMED, useDraft } from './useDraft';

jest.mock('expo-router', () => ({ usePathname: () => '/sessions/one' }));

type Session = { title: string; shorthand: string };
type Saved = { error?: unknown };
const EMPTY: Session = { title: UNNAMED, shorthand: '' };
const SAVE_AFTER_MS = 500;

beforeEach(() => {
  jest.useFakeTimers();
  localStorage.clear();
  sessionStorage.clear();
});
afterEach(() => jest.useRealTimers());

/** A draft that is being written, and what was sent to be saved; each save waits for its answer. */
function writing(stored: Session, id = 'one') {
  const sent: Session[] = [];
  const answers: ((saved: Saved) => void)[] = [];
  const save = (session: Session) =>
    new Promise<Saved>((resolve) => {
      sent.push(session);
      answers.push(resolve);
    });
  const { result, unmount } = hook(() => useDraft(id, stored, PACE_NAMES, save));
  const draft = () => result.current;
  return {
    sent,
    draft,
    unmount,
    type: (shorthand: string) => act(() => draft().change({ shorthand })),
    wait: (ms: number) => act(() => jest.advanceTimersByTimeAsync(ms)),
    answer: (saved: Saved = {}) => act(async () => answers.shift()?.(saved)),
  };
}

test('a session is named after what is written, until the coach names it', () => {
  const { draft, type } = writing(EMPTY);
  type('6x400 @5k / 90s');
  const named = draft().typed.title;
  expect(named).not.toBe(UNNAMED);
  expect(named).toContain('400');
  type('5x1000 @threshold / 60s');
  expect(draft().typed.title).not.toBe(named);
  act(() => draft().change({ title: 'Club night' }));
  type('8x200 @mile / 200m jog');
  expect(draft().typed.title).toBe('Club night');
});

test('what is typed is saved once typing stops, the last of it only', async () => {
  const { sent, draft, type, wait, answer } = writing(EMPTY);
  type('6x400');
  await wait(SAVE_AFTER_MS - 1);
  type('6x400 @5k / 90s');
  expect(draft().saving).toEqual({ state: 'saving' });
  await wait(SAVE_AFTER_MS - 1);
  expect(sent).toEqual([]);
  await wait(1);
  expect(sent.map(({ shorthand }) => shorthand)).toEqual(['6x400 @5k / 90s']);
  await answer();
  expect(draft().saving).toEqual({ state: 'saved' });
  expect(keptDraft('one')).toBeUndefined();
});

test('a save that fails says so, keeps what was typed, and is tried again by hand', async () => {
  const { sent, draft, type, wait, answer, unmount } = writing(EMPTY);
  type('6x400 @5k / 90s');
  await wait(SAVE_AFTER_MS);
  await answer({ error: { status: 'FETCH_ERROR' } });
  expect(draft().saving).toMatchObject({ state: 'failed', message: expect.stringMatching(/cannot be reached/) });
  expect(keptDraft<Session>('one')?.shorthand).toBe('6x400 @5k / 90s');
  act(() => void draft().saveNow());
  await answer();
  expect(sent).toHaveLength(2);
  expect(draft().saving).toEqual({ state: 'saved' });
  unmount();
});

test('what was typed while a save was on its way is saved after it, whether that failed or not', async () => {
  for (const first of [{}, { error: { status: 500 } }]) {
    const { sent, draft, type, wait, answer, unmount } = writing(EMPTY);
    type('6x400 @5k / 90s');
    await wait(SAVE_AFTER_MS);
    type('7x400 @5k / 90s');
    await answer(first);
    expect(draft().typed.shorthand).toBe('7x400 @5k / 90s');
    await wait(SAVE_AFTER_MS);
    await answer();
    expect(sent.map(({ shorthand }) => shorthand)).toEqual(['6x400 @5k / 90s', '7x400 @5k / 90s']);
    expect(draft().saving).toEqual({ state: 'saved' });
    unmount();
  }
});

test('leaving saves at once; what a closed phone left unsaved is what it opens with, and is saved', async () => {
  const { sent, type, unmount } = writing(EMPTY);
  type('6x400 @5k / 90s');
  unmount();
  expect(sent).toHaveLength(1);
  // No answer came: the phone was switched off.
  const again = writing(EMPTY);
  expect(again.draft().typed.shorthand).toBe('6x400 @5k / 90s');
  expect(again.sent.map(({ shorthand }) => shorthand)).toEqual(['6x400 @5k / 90s']);
  await again.answer();
  expect(again.draft().saving).toEqual({ state: 'saved' });
});

test('steps go back and forth through all that the text has been, by whatever hand', () => {
  const { draft, type } = writing({ title: 'Club night', shorthand: '6x400 @5k / 90s' });
  expect([draft().canStepBack, draft().canStepForward]).toEqual([false, false]);
  type('7x400 @5k / 90s');
  const { lastGood } = draft();
  act(() => void draft().build({ lines: lastGood?.session.lines.slice(0, 0) ?? [] }));
  expect(draft().typed.shorthand).not.toContain('400');
  act(() => draft().stepBack());
  expect(draft().typed.shorthand).toBe('7x400 @5k / 90s');
  act(() => draft().stepBack());
  expect(draft().typed.shorthand).toBe('6x400 @5k / 90s');
  expect(draft().canStepBack).toBe(false);
  act(() => draft().stepForward());
  expect(draft().typed.shorthand).toBe('7x400 @5k / 90s');
});

test('what cannot be read yet leaves the last readable session standing', () => {
  const { draft, type } = writing({ title: 'Club night', shorthand: '6x400 @5k / 90s' });
  const before = draft().lastGood;
  type('6x400 @5k / 90s\nfinish: 4x @');
  expect(draft().isReadable).toBe(false);
  expect(draft().reading.problems.length).toBeGreaterThan(0);
  expect(draft().lastGood).toBe(before);
});
