import { createContext } from 'react';
import type { Run } from '../useRun';

/** The session as it is at this moment, for what follows it at once; the rest of the board does when there is time: see useCalmly. */
export const RunNow = createContext<Run | undefined>(undefined);
