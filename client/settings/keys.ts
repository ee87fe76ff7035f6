import type { KeyName } from '../parts/Keys';

/** What the keyboard does, by where. The line board lists its own, with whose key is which. */
export const KEYS_BY_PLACE: readonly { where: string; keys: readonly KeyName[] }[] = [
  {
    where: 'Everywhere',
    keys: [
      ['Tab', 'on to the next thing, with Shift back'],
      ['Enter or Space', 'press it, tick it, choose it'],
      ['Esc', 'close what is open'],
      ['?', 'this list'],
    ],
  },
  {
    where: 'Writing a session',
    keys: [
      ['Ctrl Z', 'a step back; with Shift, or Ctrl Y, forward again'],
      ['Alt ↑ ↓', 'through what is offered'],
      ['Tab', 'take what is offered'],
    ],
  },
  {
    where: 'On the lap sheet',
    keys: [['← → ↑ ↓', 'from one rep to the next']],
  },
  {
    where: 'Dragging a day, a line or an athlete',
    keys: [
      ['Space', 'take it up, and put it down'],
      ['← → ↑ ↓', 'move it'],
      ['Esc', 'leave it where it was'],
    ],
  },
  {
    where: 'At the line',
    keys: [
      ['1 to 0, then letters', 'a time for the athlete on that tile'],
      ['Space, or a clicker', 'a time without a name'],
      ['Y', 'the start on the big button'],
      ['Z', 'undo; with Shift, do it again'],
    ],
  },
  { where: 'The paper of a plan', keys: [['Ctrl P', 'print the sheet that is shown']] },
];
