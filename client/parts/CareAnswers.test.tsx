import { screen } from '@testing-library/react';
import type { CareEntry } from '@core/judgement/care';
import { draw } from '../testing';
import { CareAnswers } from './CareAnswers';
import { Why } from './Why';
import { WhyStopped } from './WhyStopped';

jest.mock('expo-router', () => ({ usePathname: () => '/squad', router: { push: jest.fn() } }));

const sore: CareEntry = { reason: 'legs', grade: 'hold', legs: 'sore', date: '2026-11-22' };

test('somebody to take care of: why, and three answers', async () => {
  const choose = jest.fn();
  const { user } = draw(<CareAnswers name="Milo" entries={[sore]} choice={undefined} choose={choose} />);
  expect(screen.getByText(/^Milo: legs sore since /)).toBeVisible();
  expect(screen.queryByText(/qualified advice/)).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Milo: 60 %' }));
  expect(choose).toHaveBeenCalledWith('part');
});

test('with pain the usual caution stands beside it', () => {
  const pain: CareEntry = { reason: 'pain', grade: 'hold', value: 3, date: '2026-11-22' };
  draw(<CareAnswers name="Isla" entries={[pain]} choice="out" choose={jest.fn()} />);
  expect(screen.getByText(/qualified advice before running again/)).toBeVisible();
});

test('why somebody stopped is one tap', async () => {
  const say = jest.fn();
  const { user } = draw(<WhyStopped people={[{ athleteId: 'a', name: 'Isla' }]} say={say} />);
  await user.click(screen.getByRole('button', { name: 'Isla: had to go' }));
  expect(say).toHaveBeenCalledWith('a', 'had-to-go');
});

test('why opens the chain, worked out only then', async () => {
  const lines = jest.fn(() => [{ text: 'Marks: 5k 18:30.' }, { text: 'Pace: 400 @5k is 88.8.' }]);
  const { user } = draw(<Why what="The targets of Ada" lines={lines} />);
  expect(lines).not.toHaveBeenCalled();
  await user.click(screen.getByRole('button', { name: 'Why? The targets of Ada' }));
  expect(await screen.findByText('Pace: 400 @5k is 88.8.')).toBeVisible();
});
