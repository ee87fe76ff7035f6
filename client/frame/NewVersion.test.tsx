import { act, screen } from '@testing-library/react';
import { WIRE_HEADER, WIRE_VERSION } from '@core/api/wire';
import { noteVersion } from '../store/serverVersion';
import { store } from '../store/store';
import { trackside } from '../store/trackside';
import { draw } from '../testing';
import { NewVersion } from './NewVersion';

let mockPath = '/results';
jest.mock('expo-router', () => ({ usePathname: () => mockPath }));

let mockIsFetched: () => void = () => undefined;
const mockReload = jest.fn(() => Promise.resolve());
jest.mock('../data/serviceWorker', () => ({
  reloadAnew: () => mockReload(),
  whenUpdated: (say: () => void) => {
    mockIsFetched = say;
    return () => undefined;
  },
}));

const reload = () => screen.queryByRole('button', { name: 'Reload' });
const hears = (version: number) => act(() => noteVersion(new Headers({ [WIRE_HEADER]: String(version) })));
const waiting = (events: number) =>
  act(() => void store.dispatch(trackside.actions.outboxChanged({ waiting: events, refused: [], inMemory: 0 })));

afterEach(() => {
  mockPath = '/results';
  hears(WIRE_VERSION);
  waiting(0);
});

test('a server of another version: the page is to be loaded anew, until it is of this one again', async () => {
  const { user } = draw(<NewVersion />);
  expect(reload()).not.toBeInTheDocument();
  hears(WIRE_VERSION + 1);
  expect(screen.getByRole('status')).toHaveTextContent('all that was timed is kept');
  await user.click(screen.getByRole('button', { name: 'Reload' }));
  expect(mockReload).toHaveBeenCalledTimes(1);
  hears(WIRE_VERSION);
  expect(reload()).not.toBeInTheDocument();
});

test('nobody is asked while something timed has not reached the server', () => {
  draw(<NewVersion />);
  hears(WIRE_VERSION + 1);
  waiting(2);
  expect(reload()).not.toBeInTheDocument();
  waiting(0);
  expect(reload()).toBeInTheDocument();
});

test('nobody is asked at the track', () => {
  mockPath = '/track/run/one';
  draw(<NewVersion />);
  hears(WIRE_VERSION + 1);
  expect(reload()).not.toBeInTheDocument();
});

test('a newer app that the phone has fetched is said to be there', () => {
  draw(<NewVersion />);
  act(() => mockIsFetched());
  expect(screen.getByRole('status')).toHaveTextContent('There is a newer Zest Lap on this phone.');
});
