import { screen } from '@testing-library/react';
import { api } from '../store/api';
import { store } from '../store/store';
import { draw } from '../testing';
import { VenueEditor } from './VenueEditor';

test('what is wrong with a mark is said of the field it is about, and of both where both are wrong', async () => {
  const loop = {
    id: 'loop',
    name: 'Mill loop',
    shape: 'lap' as const,
    lengthM: 820,
    marks: [{ atM: 0, name: 'gate' }],
  };
  store.dispatch(api.util.upsertQueryEntries([{ endpointName: 'venues', arg: undefined, value: [loop] }]));
  const { user } = draw(<VenueEditor id="loop" />);
  await user.click(screen.getByRole('button', { name: 'Add a mark' }));
  const at = screen.getByRole('textbox', { name: 'Mark 2 at, in metres' });
  const called = screen.getByRole('textbox', { name: 'Name of mark 2' });
  for (const field of [at, called]) {
    expect(field).toBeInvalid();
    expect(field).toHaveAccessibleDescription('Write the place in metres from the start. A mark needs a name.');
  }
  await user.type(called, 'oak');
  expect(at).toBeInvalid();
  expect(called).toBeValid();
  expect(at).toHaveAccessibleDescription('Write the place in metres from the start.');
  expect(screen.getByText(/^Not kept yet/)).toBeInTheDocument();
});
