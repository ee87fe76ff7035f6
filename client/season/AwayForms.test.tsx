import { screen, waitFor } from '@testing-library/react';
import { draw } from '../testing';
import { OffForm } from './AwayForms';
import { RaceForm } from './RaceForm';

const nothing = () => undefined;

test('days off: all that is wrong at once, and a first day that is put right takes back what was said of the last one', async () => {
  const save = jest.fn();
  const { user } = draw(<OffForm save={save} cancel={nothing} />);
  const [from, to] = [screen.getByLabelText('First day'), screen.getByLabelText('Last day')];
  await user.click(screen.getByRole('button', { name: 'Mark them off' }));
  expect(await screen.findByText('The first day is needed.')).toBeInTheDocument();
  expect(screen.getByText('The last day is needed.')).toBeInTheDocument();
  expect(from).toHaveFocus();
  // The last day goes along with a later first one; put before it, it is wrong.
  await user.type(from, '2027-04-05');
  expect(to).toHaveValue('2027-04-05');
  await user.clear(to);
  await user.type(to, '2027-04-01');
  expect(await screen.findByText('The last day is before the first one.')).toBeInTheDocument();
  await user.clear(from);
  await user.type(from, '2027-03-30');
  expect(screen.queryByText('The last day is before the first one.')).not.toBeInTheDocument();
  await user.click(screen.getByRole('button', { name: 'Mark them off' }));
  await waitFor(() =>
    expect(save).toHaveBeenCalledWith(expect.objectContaining({ from: '2027-03-30', to: '2027-04-01' })),
  );
});

test('a race: what is missing is said beside its field, and nothing typed is lost', async () => {
  const save = jest.fn();
  const { user } = draw(<RaceForm save={save} cancel={nothing} />);
  await user.type(screen.getByLabelText('Where'), 'Mill Lane');
  await user.click(screen.getByRole('radio', { name: /^A/ }));
  await user.click(screen.getByRole('button', { name: 'Save the race' }));
  expect(await screen.findByText('A race needs a name.')).toBeInTheDocument();
  expect(screen.getByLabelText('Race')).toHaveFocus();
  expect(screen.getByLabelText('Race')).toHaveAccessibleDescription('A race needs a name.');
  expect(screen.getByLabelText('Where')).toHaveValue('Mill Lane');
  await user.type(screen.getByLabelText('Race'), 'Open mile');
  await user.type(screen.getByLabelText('Day'), '2027-05-02');
  await user.click(screen.getByRole('button', { name: 'Save the race' }));
  const race = { name: 'Open mile', date: '2027-05-02', place: 'Mill Lane', weight: 'A' };
  await waitFor(() => expect(save).toHaveBeenCalledWith(expect.objectContaining(race)));
});
