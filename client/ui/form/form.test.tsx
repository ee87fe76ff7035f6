import { screen } from '@testing-library/react';
import { FormProvider } from 'react-hook-form';
import { draw } from '../../testing';
import { FormFoot } from '../FormFoot';
import { Text } from '../Text';
import { FormChoice, FormSelect, FormText, FormWhen } from './Fields';
import { useReadForm, type Problems } from './useReadForm';

type Fields = { kind: string; name: string; laps: string; day: string; group: string };
const START: Fields = { kind: 'race', name: '', laps: '4', day: '2026-11-29', group: 'a' };
const OPTIONS = [
  { value: 'a', text: 'Milers' },
  { value: 'b', text: 'Five and ten' },
];
const KINDS = [
  { value: 'race', text: 'Race' },
  { value: 'trial', text: 'Trial' },
];

function Form({ save }: { save: (value: Fields) => Promise<Problems | undefined> }) {
  const { form, submit, trouble } = useReadForm<Fields, Fields>({
    start: START,
    read: (typed) => {
      const problems = {
        ...(typed.name === '' ? { name: 'A name is needed.' } : {}),
        ...(/^\d+$/.test(typed.laps) ? {} : { laps: 'Write a number of laps.' }),
        ...(typed.day === '' ? { day: 'A day is needed.' } : {}),
      };
      return Object.keys(problems).length === 0 ? { ok: true, value: typed } : { ok: false, problems };
    },
    save,
  });
  return (
    <FormProvider {...form}>
      <FormChoice field="kind" label="Kind" options={KINDS} />
      <FormText field="name" label="Name" />
      <FormText field="laps" label="Laps" />
      <FormWhen field="day" type="date" label="Day" />
      <FormSelect field="group" label="Group" options={OPTIONS} />
      {trouble !== undefined && <Text>{trouble}</Text>}
      <FormFoot save="Save" onSave={submit} onCancel={() => undefined} />
    </FormProvider>
  );
}

test('all that is wrong is said at once beside its field, the first one has the focus, and nothing typed is lost', async () => {
  const save = jest.fn(() => Promise.resolve(undefined));
  const { user } = draw(<Form save={save} />);
  await user.type(screen.getByLabelText('Laps'), ' and a bit');
  await user.clear(screen.getByLabelText('Day'));
  await user.click(screen.getByRole('radio', { name: 'Trial' }));
  await user.click(screen.getByRole('button', { name: 'Save' }));
  expect(await screen.findByText('A name is needed.')).toBeInTheDocument();
  expect(screen.getByText('Write a number of laps.')).toBeInTheDocument();
  expect(screen.getByText('A day is needed.')).toBeInTheDocument();
  expect(screen.getByText(/Not saved yet/)).toBeInTheDocument();
  expect(screen.getByLabelText('Name')).toHaveFocus();
  expect(screen.getByLabelText('Name')).toHaveAccessibleDescription('A name is needed.');
  expect(screen.getByLabelText('Laps')).toHaveValue('4 and a bit');
  expect(save).not.toHaveBeenCalled();

  await user.type(screen.getByLabelText('Name'), 'Ada');
  await user.clear(screen.getByLabelText('Laps'));
  await user.type(screen.getByLabelText('Laps'), '5');
  await user.type(screen.getByLabelText('Day'), '2026-12-01');
  await user.selectOptions(screen.getByLabelText('Group'), 'Five and ten');
  // Once tried, each is read again as it is typed.
  expect(screen.queryByText('A name is needed.')).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Save' }));
  expect(save).toHaveBeenCalledWith({ kind: 'trial', name: 'Ada', laps: '5', day: '2026-12-01', group: 'b' });
  expect(screen.queryByText(/Not saved yet/)).toBeNull();
});

test('what the server has against it stands beside its field or under them all', async () => {
  const answers: Problems[] = [{ name: 'This name is taken.' }, { form: 'The server cannot be reached.' }];
  const { user } = draw(<Form save={() => Promise.resolve(answers.shift())} />);
  await user.type(screen.getByLabelText('Name'), 'Ada');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  expect(await screen.findByText('This name is taken.')).toBeInTheDocument();
  expect(screen.getByLabelText('Name')).toHaveFocus();
  await user.type(screen.getByLabelText('Name'), 'B');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  expect(await screen.findByText('The server cannot be reached.')).toBeInTheDocument();
  expect(screen.queryByText('This name is taken.')).toBeNull();
});
