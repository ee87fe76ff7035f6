import { unstable_createElement as create } from 'react-native-web';
import type { ClipboardEvent, KeyboardEvent, ReactNode } from 'react';
import { pastedCells } from '@core/formats/pasted';
import { cellKey, columnsOf, readCell, type Typed } from '@core/run/entered';
import { placePasted, type Placed } from '@core/run/pasteTimes';
import { repLabel, type PlannedGroup } from '@core/run/plan';
import { formatTime } from '@core/units/time';
import { rem } from '../../ui/rem';
import { usePalette } from '../../ui/theme';

type Props = {
  group: PlannedGroup;
  typed: Typed;
  onType: (cells: Typed) => void;
  /** What was copied elsewhere, put in its places. */
  onPaste: (placed: Placed) => void;
};

const CELL = { width: 84, height: 44 };

/** Goes to another cell of the grid, if there is one. */
function focusCell(from: HTMLElement, row: number, column: number): boolean {
  const grid = from.closest('table');
  const cell = grid?.querySelector<HTMLInputElement>(`input[data-cell="${row} ${column}"]`);
  cell?.focus();
  cell?.select();
  return cell !== null && cell !== undefined;
}

/** Athletes × reps, to be typed through by keyboard: Enter goes down, then to the top of the next rep. */
export function Grid({ group, typed, onType, onPaste }: Props) {
  const palette = usePalette();
  const { athletes } = group;
  const columns = columnsOf(group, typed);
  const reps = columns.flatMap(({ repIndex, key }) => {
    const rep = group.reps[repIndex];
    return rep ? [{ rep, repIndex, key }] : [];
  });
  const plain = { fontFamily: 'Zest', fontSize: rem(15), color: palette.ink, fontWeight: 500 };
  const onKey = (row: number, column: number) => (event: KeyboardEvent<HTMLInputElement>) => {
    const { currentTarget: cell, key } = event;
    const isAtEdge = (side: 'left' | 'right') =>
      cell.selectionStart === cell.selectionEnd && cell.selectionStart === (side === 'left' ? 0 : cell.value.length);
    const went =
      key === 'Enter' || key === 'ArrowDown'
        ? focusCell(cell, row + 1, column) || (key === 'Enter' && focusCell(cell, 0, column + 1))
        : key === 'ArrowUp'
          ? focusCell(cell, row - 1, column)
          : key === 'ArrowLeft' && isAtEdge('left')
            ? focusCell(cell, row, column - 1)
            : key === 'ArrowRight' && isAtEdge('right')
              ? focusCell(cell, row, column + 1)
              : false;
    if (went || key === 'Enter') event.preventDefault();
  };
  const paste = (row: number, column: number) => (event: ClipboardEvent<HTMLInputElement>) => {
    const rows = pastedCells(event.clipboardData.getData('text'));
    if (rows.length === 1 && rows[0]?.length === 1) return;
    event.preventDefault();
    onPaste(placePasted(rows, group, { row, column }, columns));
  };
  const element = (tag: string, key: string, style: object, children: ReactNode, more: object = {}) =>
    create(tag, { key, style: { ...plain, ...style }, children, ...more });
  const sticky = { position: 'sticky', left: 0, backgroundColor: palette.ground, zIndex: 1, textAlign: 'left' };
  const head = element('thead', 'head', {}, [
    element('tr', 'heads', {}, [
      element('th', 'athlete', { ...sticky, minWidth: 108 }, 'Athlete', { scope: 'col' }),
      ...reps.map(({ rep, key }, column) =>
        element('th', key, { minWidth: CELL.width, fontWeight: 700, padding: 4 }, `${column + 1}: ${repLabel(rep)}`, {
          scope: 'col',
        }),
      ),
    ]),
  ]);
  const body = element(
    'tbody',
    'body',
    {},
    athletes.map(({ athleteId, name, targets }, row) =>
      element('tr', athleteId, {}, [
        element('th', 'name', { ...sticky, paddingRight: 8, fontWeight: 700 }, name, { scope: 'row' }),
        ...reps.map(({ rep, repIndex, key }, column) => {
          const text = typed[cellKey(athleteId, key)] ?? '';
          const cell = readCell(text, rep, targets[repIndex]);
          const { targetS } = targets[repIndex] ?? {};
          const isWrong = cell.kind === 'problem';
          const input = create('input', {
            'data-cell': `${row} ${column}`,
            'aria-label': `${name}, rep ${column + 1}`,
            'aria-invalid': isWrong,
            value: text,
            inputMode: 'decimal',
            autoComplete: 'off',
            placeholder: rep.distanceM === undefined ? 'metres' : targetS === undefined ? '' : formatTime(targetS, 1),
            onChange: (event: { target: HTMLInputElement }) =>
              onType({ [cellKey(athleteId, key)]: event.target.value }),
            onKeyDown: onKey(row, column),
            onPaste: paste(row, column),
            style: {
              ...plain,
              ...CELL,
              boxSizing: 'border-box',
              padding: '0 8px',
              textAlign: 'right',
              fontVariantNumeric: 'tabular-nums',
              borderRadius: 6,
              border: `${isWrong ? 2.5 : 1}px solid ${isWrong ? palette.late : palette.quiet}`,
              backgroundColor: palette.ground,
            },
          });
          return element('td', key, { padding: 2 }, input);
        }),
      ]),
    ),
  );
  return create('div', {
    role: 'region',
    'aria-label': `Times of ${group.name}`,
    tabIndex: -1,
    style: { overflowX: 'auto', maxWidth: '100%' },
    children: create('table', { style: { borderCollapse: 'collapse' }, children: [head, body] }),
  });
}
