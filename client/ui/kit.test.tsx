import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { Text as Plain } from 'react-native';
import { draw } from '../testing';
import { Chips } from './Chips';
import { FilePicker, type PickedFile } from './FilePicker';
import { FormFoot } from './FormFoot';
import { LongList } from './LongList';
import { NoticeBar, useNotice } from './Notices';
import { RadioRow } from './RadioRow';
import { Segments } from './Segments';
import { Select } from './Select';
import { SmallButton } from './SmallButton';
import { Stepper } from './Stepper';
import { TextField } from './TextField';
import { TickRow } from './TickRow';
import { Trouble } from './Trouble';

jest.mock('expo-router', () => ({ usePathname: () => '/squad', router: { push: jest.fn() } }));

const button = (name: string | RegExp) => screen.getByRole('button', { name });

/** Something that holds a value, as a screen does around each part. */
function Holding<T>({
  first,
  children,
}: {
  first: T;
  children: (value: T, put: (next: T) => void) => React.ReactNode;
}) {
  const [value, put] = useState(first);
  return (
    <>
      {children(value, put)}
      <Plain>{`held: ${String(value)}`}</Plain>
    </>
  );
}

describe('a choice', () => {
  const OPTIONS = [
    { value: 'a', text: 'Alpha' },
    { value: 'b', text: 'Beta' },
  ];

  test('of any of a few: each is told as ticked or not, and taken back by another press', async () => {
    const { user } = draw(
      <Holding<string[]> first={['a']}>
        {(chosen, put) => <Chips label="Groups" options={OPTIONS} chosen={chosen} onChange={put} />}
      </Holding>,
    );
    const chip = (name: string) => screen.getByRole('checkbox', { name });
    expect(screen.getByRole('group', { name: 'Groups' })).toContainElement(chip('Beta'));
    expect(chip('Alpha')).toBeChecked();
    await user.click(chip('Beta'));
    expect(screen.getByText('held: a,b')).toBeInTheDocument();
    await user.click(chip('Alpha'));
    expect(chip('Alpha')).not.toBeChecked();
    expect(screen.getByText('held: b')).toBeInTheDocument();
  });

  test('of one in a row: spoken with whom it is for; what cannot be chosen cannot be pressed', async () => {
    const { user } = draw(
      <Holding<'on' | 'back' | undefined> first={undefined}>
        {(value, put) => (
          <Segments
            who="Ada"
            values={['on', 'back'] as const}
            words={{ on: 'On', back: 'Back' }}
            value={value}
            can={(step) => step !== 'back'}
            onChange={put}
          />
        )}
      </Holding>,
    );
    expect(button('Ada: back')).toBeDisabled();
    await user.click(button('Ada: on'));
    expect(screen.getByText('held: on')).toBeInTheDocument();
  });

  test('of one of many, by the device’s own list, with its trouble', async () => {
    const { user } = draw(
      <Holding first="a">
        {(value, put) => <Select label="Kind" options={OPTIONS} value={value} onChange={put} error="Choose one." />}
      </Holding>,
    );
    expect(screen.getByText('Choose one.')).toBeInTheDocument();
    await user.selectOptions(screen.getByLabelText('Kind'), 'Beta');
    expect(screen.getByText('held: b')).toBeInTheDocument();
  });

  test('that holds or does not, and one of several, by keys as well', async () => {
    const { user } = draw(
      <Holding first={false}>{(value, put) => <TickRow label="Wet" checked={value} onChange={put} />}</Holding>,
    );
    await user.tab();
    await user.keyboard('{Enter}');
    expect(screen.getByRole('checkbox', { name: 'Wet' })).toBeChecked();
    const chosen = jest.fn();
    draw(<RadioRow label="Calm" chosen={false} onChoose={chosen} />);
    await user.click(screen.getByRole('radio', { name: /Calm/ }));
    expect(chosen).toHaveBeenCalledTimes(1);
  });
});

test('a number goes by steps and stays within its ends', async () => {
  const { user } = draw(
    <Holding first={0.2}>
      {(value, put) => (
        <Stepper label="Gap" value={value} text={`${value} s`} step={0.1} min={0} max={0.3} onChange={put} />
      )}
    </Holding>,
  );
  await user.click(button('Gap: more'));
  expect(screen.getByText('held: 0.3')).toBeInTheDocument();
  expect(button('Gap: more')).toBeDisabled();
  for (let i = 0; i < 3; i++) await user.click(button('Gap: less'));
  expect(screen.getByText('held: 0')).toBeInTheDocument();
  expect(button('Gap: less')).toBeDisabled();
});

test('a field says what is wrong with it, keeps what was typed, and takes Enter', async () => {
  const enter = jest.fn();
  const { user } = draw(
    <Holding first="">
      {(value, put) => (
        <TextField
          label="Time"
          value={value}
          onChange={put}
          onEnter={enter}
          error={value === '' ? undefined : 'A time, like 1:28.8.'}
        />
      )}
    </Holding>,
  );
  const field = screen.getByLabelText('Time');
  expect(field).toHaveAttribute('aria-invalid', 'false');
  await user.type(field, 'soon{Enter}');
  expect(field).toHaveValue('soon');
  expect(field).toHaveAttribute('aria-invalid', 'true');
  expect(screen.getByText('A time, like 1:28.8.')).toBeInTheDocument();
  expect(enter).toHaveBeenCalledTimes(1);
});

test('a form ends by saving, leaving, or taking out where there is something to take out', async () => {
  const [save, cancel, remove] = [jest.fn(), jest.fn(), jest.fn()];
  const { user, rerender } = draw(<FormFoot save="Save mark" onSave={save} onCancel={cancel} canSave={false} />);
  expect(button('Save mark')).toBeDisabled();
  expect(screen.queryByRole('button', { name: 'Remove' })).toBeNull();
  rerender(<FormFoot save="Save mark" onSave={save} onCancel={cancel} onRemove={remove} />);
  for (const name of ['Save mark', 'Cancel', 'Remove']) await user.click(button(name));
  for (const done of [save, cancel, remove]) expect(done).toHaveBeenCalledTimes(1);
});

test('trouble is said at once and can be tried again', async () => {
  const retry = jest.fn();
  const { user } = draw(<Trouble retry={retry}>The server cannot be reached.</Trouble>);
  expect(screen.getByRole('alert')).toHaveTextContent('The server cannot be reached.');
  await user.click(button('Try again'));
  expect(retry).toHaveBeenCalledTimes(1);
});

describe('a notice', () => {
  function Saying({ undo }: { undo?: () => Promise<{ error?: unknown }> }) {
    const notice = useNotice();
    return (
      <>
        <SmallButton onPress={() => notice({ text: 'Ada is changed.', ...(undo ? { undo } : {}) })}>Change</SmallButton>
        <NoticeBar />
      </>
    );
  }

  test('can be taken back, and is gone then', async () => {
    const undo = jest.fn(() => Promise.resolve({}));
    const { user } = draw(<Saying undo={undo} />);
    await user.click(button('Change'));
    expect(screen.getByRole('status')).toHaveTextContent('Ada is changed.');
    await user.click(button('Undo'));
    expect(undo).toHaveBeenCalledTimes(1);
    expect(screen.queryByRole('status')).toBeNull();
  });

  test('says so when taking back fails', async () => {
    const { user } = draw(<Saying undo={() => Promise.resolve({ error: { status: 500 } })} />);
    await user.click(button('Change'));
    await user.click(button('Undo'));
    expect(await screen.findByText(/It was not taken back\. The server said no\./)).toBeInTheDocument();
  });

  test('tells of what failed unheard', async () => {
    draw(<Saying />);
    fireEvent(window, new Event('unhandledrejection'));
    expect(await screen.findByText(/Something did not work/)).toBeInTheDocument();
  });
});

describe('a file', () => {
  const picking = (onPick: (file: PickedFile) => Promise<void> | void) =>
    draw(
      <FilePicker title="Bring in a list" accept=".csv" onPick={onPick}>
        A list.
      </FilePicker>,
    );
  const pick = (file: { size?: number; arrayBuffer: () => Promise<ArrayBufferLike> }) =>
    fireEvent.change(screen.getByLabelText('File to bring in'), {
      target: { files: { item: () => ({ name: 'list.csv', size: 3, ...file }) } },
    });
  const arrayBuffer = () => Promise.resolve(new TextEncoder().encode('a,b').buffer);

  test('is read and handed on', async () => {
    const picked = jest.fn();
    picking(picked);
    pick({ arrayBuffer });
    await waitFor(() => expect(picked).toHaveBeenCalledTimes(1));
    const [{ name, bytes }] = picked.mock.calls[0] as [PickedFile];
    expect([name, new TextDecoder().decode(bytes)]).toEqual(['list.csv', 'a,b']);
  });

  test.each([
    ['cannot be read any more', { arrayBuffer: () => Promise.reject(new Error('gone')) }, /cannot be read any more/],
    ['is too large', { arrayBuffer, size: 30_000_000 }, /too large/],
  ])('that %s is said to be so, and nothing comes of it', async (_what, file, text) => {
    const picked = jest.fn();
    picking(picked);
    pick(file);
    expect(await screen.findByText(text)).toBeInTheDocument();
    expect(picked).not.toHaveBeenCalled();
  });

  test('for which the code cannot be fetched is said to be so', async () => {
    picking(() => Promise.reject(new Error('offline')));
    pick({ arrayBuffer });
    expect(await screen.findByText(/cannot be fetched/)).toBeInTheDocument();
  });
});

describe('a long list', () => {
  const rows = (count: number) => Array.from({ length: count }, (_, i) => `Row ${i + 1}`);
  const listed = (count: number, more?: { isFetching: boolean; hasFailed: boolean; fetch: () => void }) => (
    <LongList title="Earlier" rows={rows(count)} keyOf={(row) => row} row={(row) => <Plain>{row}</Plain>} more={more} />
  );

  test('has a heading of its own, and nothing at all where there are no rows', () => {
    const { rerender } = draw(listed(3));
    expect(screen.getByRole('heading', { name: 'Earlier' })).toBeInTheDocument();
    expect(screen.getAllByRole('listitem')).toHaveLength(3);
    rerender(listed(0));
    expect(screen.queryByRole('heading')).toBeNull();
  });

  test('draws no more than the first rows until the code for its window is here and no row has the focus', async () => {
    const pressable = (row: string) => <SmallButton onPress={() => undefined}>{row}</SmallButton>;
    draw(<LongList rows={rows(500)} keyOf={(row) => row} row={pressable} />);
    expect(screen.getAllByRole('listitem').length).toBeLessThanOrEqual(20);
    const third = button('Row 3');
    act(() => third.focus());
    // Long enough for its code to have come.
    for (let i = 0; i < 5; i++) await act(() => Promise.resolve());
    expect(third).toHaveFocus();
    act(() => third.blur());
    await waitFor(() => expect(third).not.toBeInTheDocument());
    expect(screen.queryAllByRole('listitem').length).toBeLessThanOrEqual(40);
  });

  test('gets further rows by a button too, and says when that fails', async () => {
    const fetch = jest.fn();
    const { user } = draw(listed(30, { isFetching: false, hasFailed: true, fetch }));
    expect(screen.getByText(/cannot be fetched just now/)).toBeInTheDocument();
    await user.click(button('Show earlier ones'));
    expect(fetch).toHaveBeenCalledTimes(1);
  });
});
