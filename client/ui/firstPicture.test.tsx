import { screen } from '@testing-library/react';
import { draw } from '../testing';
import { Crash } from './Crash';
import { useFirstPictureUntil } from './firstPicture';

function Week({ isThere }: { isThere: boolean }) {
  useFirstPictureUntil(isThere);
  return null;
}
const picture = () => screen.queryByText('Even 400s');

beforeEach(() => document.body.insertAdjacentHTML('beforeend', '<div id="today">Even 400s</div>'));
afterEach(() => document.getElementById('today')?.remove());

test('the server’s picture stands until the screen has its own', () => {
  const { rerender } = draw(<Week isThere={false} />);
  expect(picture()).toBeInTheDocument();
  rerender(<Week isThere />);
  expect(picture()).not.toBeInTheDocument();
});

test('it goes with a screen that is left before, and covers no message that something failed', () => {
  draw(<Week isThere={false} />).unmount();
  expect(picture()).not.toBeInTheDocument();
  document.body.insertAdjacentHTML('beforeend', '<div id="today">Even 400s</div>');
  draw(<Crash error={new Error('broken')} retry={() => Promise.resolve()} />);
  expect(screen.getByRole('alert')).toBeVisible();
  expect(picture()).not.toBeInTheDocument();
});
