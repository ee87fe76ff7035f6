import { expand, type RepLeg } from './expand';
import type { Pace, SessionTree } from './session';

/** At such an effort and from such a length on, a rep is a trial. */
const FLAT_OUT = { effort: 9.5, distanceM: 600, durationS: 120 };

const isFlatOutPace = (pace: Pace) =>
  pace.kind === 'effort' ? pace.min >= FLAT_OUT.effort : pace.kind === 'named' && pace.name === 'max';

/** True for a rep that is long enough to be a trial and is to be run flat out. */
export const isFlatOut = ({ paceMix, distanceM = 0, durationS = 0 }: RepLeg): boolean =>
  paceMix !== undefined &&
  isFlatOutPace(paceMix.to) &&
  (distanceM >= FLAT_OUT.distanceM || durationS >= FLAT_OUT.durationS);

/** True if a session has a flat-out trial in it. */
export const hasFlatOutTrial = (session: SessionTree): boolean =>
  expand(session).some((leg) => leg.kind === 'rep' && isFlatOut(leg));
