/** The job itself, as other programs may use it: these names stay. The checks at the edge are in core/formats. */
export { fitCurve, timeFor, speedFor, timeErrorFor, curveMovedTo, CurveError, type Curve } from './fitness/curve';
export { type Mark } from './fitness/mark';
export { parseSession, type ParsedSession } from './session/parseSession';
export { formatSession } from './session/formatSession';
export { expand, type Leg } from './session/expand';
export { type Session } from './session/session';
export { targetsFor, type TargetLeg } from './targets/targetsFor';
export { reserve } from './targets/reserve';
export { laneLengthM, standardTrack, type Venue } from './track/venue';
export { type PaceBook } from './paces/paceBook';
export { curveBook } from './paces/shippedBooks';
export { makePlan } from './trackside/makePlan';
export { type Plan } from './trackside/plan';
export { type RunEvent } from './trackside/events';
export { replay } from './trackside/replay';
export { type RunState } from './trackside/runState';
