import { nowAndWhenOnline } from './whenOnline';

test('does it now, each time the network comes back, and no more once stopped', () => {
  const act = jest.fn(() => Promise.resolve());
  const stop = nowAndWhenOnline(act);
  expect(act).toHaveBeenCalledTimes(1);
  window.dispatchEvent(new Event('online'));
  window.dispatchEvent(new Event('online'));
  expect(act).toHaveBeenCalledTimes(3);
  stop();
  window.dispatchEvent(new Event('online'));
  expect(act).toHaveBeenCalledTimes(3);
});
