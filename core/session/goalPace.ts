import { expand } from './expand';
import type { SessionTree } from './session';

/** Returns whether anything in a session is written at a goal pace. */
export const hasGoalPace = (session: SessionTree): boolean =>
  expand(session).some((leg) => {
    const paces = leg.kind === 'rep' && leg.paceMix ? [leg.paceMix.from, leg.paceMix.to] : [];
    return paces.some((pace) => pace.kind === 'named' && pace.goal);
  });

/** Returns whether a pace as written names a goal's: `goal 5k`, `5k>goal 5k`. */
export const isGoalLabel = (pace: string | undefined): boolean => pace !== undefined && /(^|>)\s*goal\s/.test(pace);
