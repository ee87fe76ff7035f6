import { counted } from './counted';

test.each([
  [counted(1, 'rep'), '1 rep'],
  [counted(0, 'rep'), '0 reps'],
  [counted(2, 'clash', 'clashes'), '2 clashes'],
])('%s', (said, expected) => expect(said).toBe(expected));
