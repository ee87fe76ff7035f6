import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { Text as Plain } from 'react-native';
import { PACE_NAMES } from '@core/session/paceNames';
import { draw } from '../../../testing';
import { useDraft } from '../write/useDraft';
import { Builder } from './Builder';

jest.mock('expo-router', () => ({ usePathname: () => '/sessions/one' }));

beforeEach(() => localStorage.clear());

const BOOK = {
  names: PACE_NAMES,
  describe: () => undefined,
  rest: { amount: { kind: 'time', minS: 90, maxS: 90 } },
} as const;

/** A session between its text and its parts, as the editor holds it. */
function Building({ shorthand }: { shorthand: string }) {
  const draft = useDraft('one', { title: 'Tuesday', shorthand }, PACE_NAMES, () => Promise.resolve({}));
  return (
    <>
      <Plain testID="text">{draft.typed.shorthand}</Plain>
      <Builder session={draft.reading.session} book={BOOK} build={draft.build} />
    </>
  );
}

/** Builds on a session, and reads what it then says. */
function building(shorthand: string) {
  const { user } = draw(<Building shorthand={shorthand} />);
  // The press alone: a finger's way to it is the kit's matter, and would draw all parts ten times.
  const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
  return {
    user,
    press,
    /** Opens a part if it is not open, and presses what can be done with it. */
    with: (part: string, ...what: string[]) => {
      for (const name of what) {
        const open = screen.getByRole('button', { name: `Change ${part}` });
        if (open.getAttribute('aria-expanded') !== 'true') fireEvent.click(open);
        press(name);
      }
    },
    choose: (name: string, of?: string) =>
      fireEvent.click(
        (of === undefined ? screen : within(screen.getByRole('radiogroup', { name: of }))).getByRole('radio', { name }),
      ),
    tick: (name: string) => fireEvent.click(screen.getByRole('checkbox', { name })),
    says: (text: string) => waitFor(() => expect(screen.getByTestId('text').textContent).toBe(text)),
  };
}

test('without dragging: up, down, a set made and undone, a copy, out it goes', async () => {
  const session = building('main: 1000 @5k / 2:00, 2x(400 @3k / 60s) / 3:00, 200 @mile');
  session.with('200 at mile', 'Up');
  await session.says('main: 1000 @5k / 2:00, 200 @mile, 2x(400 @3k / 60s) / 3:00');
  session.with('400 at 3k', 'Out of the set');
  await session.says('main: 1000 @5k / 2:00, 200 @mile, 400 @3k / 60s');
  session.with('1000 at 5k', 'Down');
  await session.says('main: 200 @mile, 1000 @5k / 2:00, 400 @3k / 60s');
  session.with('200 at mile', 'Make it a set');
  session.with('2 × set', 'Duplicate');
  // The copy is open.
  session.press('Undo the set');
  await session.says('main: 2x(200 @mile), 200 @mile, 1000 @5k / 2:00, 400 @3k / 60s');
  session.with('1000 at 5k', 'Remove');
  session.with('400 at 3k', 'Remove');
  await session.user.selectOptions(screen.getByLabelText('Line 1 is for'), 'Fast finish');
  await session.says('finish: 2x(200 @mile), 200 @mile');
});

test('every kind of count and length is within reach', async () => {
  const session = building('main: 6x400 @5k / 90s');
  session.press('Change 6 × 400 at 5k');
  session.choose('A range');
  session.press('At most: more');
  await session.says('main: 6-9x400 @5k / 90s');
  session.press('Add a length');
  await session.says('main: 6-9x400-500 @5k / 90s');
  session.choose('Drop when told to');
  session.choose('Until it tires');
  await session.says('main: open x 400|500 @5k / 90s');
  session.choose('So many');
  session.press('Leave length 2 out');
  session.press('By the clock');
  session.press('Length: longer');
  await session.says('main: 75s @5k / 90s');
});

test('every kind of pace, a note typed letter by letter, and a rep that is left to the athlete', async () => {
  const session = building('main: 75s @5k / 90s');
  session.press('Change 75s at 5k');
  fireEvent.click(within(screen.getByRole('listbox', { name: 'Pace' })).getByRole('option', { name: /threshold/ }));
  session.tick('Pace of the goal');
  session.press('Pace: quicker or slower: quicker');
  await session.says('main: 75s @goal threshold-0.5s/400 / 90s');
  session.tick('The pace moves from the first rep to the last');
  await session.says('main: 75s @goal threshold-0.5s/400>goal threshold / 90s');
  session.choose('Share', 'How the pace is given');
  session.press('Pace: share: more');
  await session.says('main: 75s @96% threshold / 90s');
  session.choose('Effort');
  session.press('to: more');
  await session.says('main: 75s @effort 7-7.5 / 90s');
  session.choose('Time', 'How the pace is given');
  const [time] = screen.getAllByLabelText('Time');
  if (!time) throw new Error('There is no time to type.');
  await session.user.clear(time);
  await session.user.type(time, '1:22');
  await session.says('main: 75s @82/400 / 90s');
  await session.user.type(screen.getByLabelText('Note'), 'a "b');
  session.tick('Unstructured (free)');
  await session.says('main: 75s free @82/400 "a ’b" / 90s');
});

test('every kind of recovery', async () => {
  const session = building('main: 75s @82/400 / 90s');
  session.press(/^Change 75s/);
  session.tick('A range, by athlete');
  await session.says('main: 75s @82/400 / 90s-2:00');
  session.choose('Distance');
  session.press('Recovery distance: shorter');
  session.choose('float');
  await session.user.selectOptions(screen.getByLabelText('Float at'), 'easy');
  await session.says('main: 75s @82/400 / 150m float @easy');
  session.choose('Half');
  session.choose('jog');
  await session.says('main: 75s @82/400 / half jog');
});
