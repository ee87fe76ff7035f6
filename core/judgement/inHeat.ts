/** A prediction on a hot day: long reps cost more, and nothing hard is on plan above the club's limit for it. */
import { curveMovedBy, type Curve } from '../fitness/curve';
import { outlookFor, type Outlook } from '../outlook/outlook';
import { slowedBy } from '../review/heatCost';
import { feltC, type HeatLimits, type Weather } from '../squad/heat';
import { isTimedRep, type TargetLeg } from '../targets/targetsFor';
import type { MeantArc } from '../session/intent';

const FELT_MOST_C = 40;

/** @param isHard it is work that the club's upper limit is for. */
export function outlookInHeat(
  curve: Curve | undefined,
  legs: readonly TargetLeg[],
  arc: MeantArc,
  heat: { weather: Weather | undefined; limits: HeatLimits; isHard: boolean },
): Outlook {
  const felt = heat.weather && Math.min(FELT_MOST_C, feltC(heat.weather));
  const longestS = Math.max(0, ...legs.filter((leg) => isTimedRep(leg)).map(({ targetS = 0 }) => targetS));
  const cost = slowedBy(felt, longestS);
  const outlook = outlookFor(curve && cost > 0 ? curveMovedBy(curve, [-Math.log(1 + cost)]) : curve, legs, arc);
  const isOver = felt !== undefined && felt >= heat.limits.hardC && heat.isHard;
  return isOver && (outlook.fit === 'fine' || outlook.fit === 'light') ? { ...outlook, fit: 'stretched' } : outlook;
}
