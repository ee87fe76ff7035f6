import type { AthleteState } from '@core/run/runState';
import { Keys } from '../../parts/Keys';
import { ATHLETE_KEYS } from '../board/useKeys';
import { Sheet } from './Sheet';

const KEYS = [
  ['Space, or a clicker', 'the line: a time without a name'],
  ['Y', 'the start on the big button'],
  ['Z', 'undo'],
  ['Shift Z', 'do it again'],
  ['Esc', 'close what is open'],
  ['?', 'this list'],
] as const;

/** What the keys do, and whose key is which. */
export function KeysSheet({ athletes, close }: { athletes: readonly AthleteState[]; close: () => void }) {
  return (
    <Sheet title="Keys" subtitle="They also stand in the corners of the tiles." close={close} readOnly>
      <Keys keys={KEYS} />
      <Keys
        isInRows
        keys={athletes
          .slice(0, ATHLETE_KEYS.length)
          .map(({ name }, i) => [(ATHLETE_KEYS[i] ?? '').toUpperCase(), name] as const)}
      />
    </Sheet>
  );
}
