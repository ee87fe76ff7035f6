import { act } from '@testing-library/react';
import { draw } from '../testing';
import { useKeysKey } from './useKeysKey';

const mockPush = jest.fn();
let mockPath = '/results';
jest.mock('expo-router', () => ({ router: { push: (to: string) => mockPush(to) }, usePathname: () => mockPath }));

function Frame({ isOff = false }: { isOff?: boolean }) {
  useKeysKey(isOff);
  return <input aria-label="Find" />;
}

beforeEach(() => {
  mockPush.mockClear();
  mockPath = '/results';
});

const questionMark = (more: KeyboardEventInit = {}) =>
  act(() => void document.body.dispatchEvent(new KeyboardEvent('keydown', { key: '?', bubbles: true, ...more })));

test('? opens the list of keys', () => {
  draw(<Frame />);
  questionMark();
  expect(mockPush).toHaveBeenCalledWith('/settings/keys');
});

test('not while something is typed, with Ctrl, over a sheet, at the line board, or on the list itself', async () => {
  const { user, getByLabelText, unmount } = draw(<Frame />);
  await user.type(getByLabelText('Find'), '?');
  questionMark({ ctrlKey: true });
  const sheet = document.createElement('div');
  sheet.setAttribute('aria-modal', 'true');
  document.body.append(sheet);
  questionMark();
  sheet.remove();
  unmount();
  draw(<Frame isOff />);
  questionMark();
  mockPath = '/settings/keys';
  draw(<Frame />);
  questionMark();
  expect(mockPush).not.toHaveBeenCalled();
});
