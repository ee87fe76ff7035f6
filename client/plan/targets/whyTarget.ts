/** The chain behind an athlete's target: marks, curve, pace, and the day's changes to it. */
import { USUAL_TOLERANCE } from '@core/paces/paceBook';
import type { AthletePlan } from '@core/planning/athletePlans';
import { isOfItem } from '@core/planning/changes';
import { slowedBy } from '@core/review/heatCost';
import { repLabel } from '@core/run/plan';
import { toleranceS } from '@core/run/verdict';
import { feltC } from '@core/squad/heat';
import type { SquadMember } from '@core/squad/athlete';
import { isTimedRep } from '@core/targets/targetsFor';
import { formatTime } from '@core/units/time';
import type { WhyLine } from '../../parts/Why';
import type { Planning } from '../../data/usePlanning';
import { levelLines } from '../whyLevel';

/** Why an athlete's first rep has the target it has. */
export function whyTarget({ runner, legs, changes }: AthletePlan, athlete: SquadMember, planning: Planning): WhyLine[] {
  const { rounding, weather } = planning;
  const rep = legs.find((leg) => isTimedRep(leg) && leg.targetS !== undefined);
  const { goalCurve } = runner.paces;
  const felt = weather && feltC(weather);
  const cost = rep?.targetS === undefined ? 0 : slowedBy(felt, rep.targetS);
  const byHand = changes.filter(isOfItem).map(({ set }) => set);
  const isGoal = rep?.kind === 'rep' && rep.pace?.includes('goal') && goalCurve;
  return [
    ...levelLines(runner, athlete),
    ...(rep?.kind === 'rep' && rep.targetS !== undefined
      ? [
          {
            text: `Pace: ${repLabel({ ...(rep.distanceM === undefined ? {} : { distanceM: rep.distanceM }), ...(rep.durationS === undefined ? {} : { durationS: rep.durationS }), ...(rep.pace === undefined ? {} : { pace: rep.pace }) })} is ${formatTime(rep.targetS, 1)}${isGoal ? ', by the goal' : ''}.`,
          },
          {
            text: `Shown to ${rounding} s; within ${toleranceS(rep.targetS, rep.tolerance ?? USUAL_TOLERANCE).toFixed(1)} s is on target.`,
          },
        ]
      : []),
    ...byHand.flatMap((set) =>
      set.kind === 'pace'
        ? [{ text: `Changed for them: ${Math.round(set.share * 1000) / 10} % of that speed.` }]
        : set.kind === 'target'
          ? [{ text: `Set by hand: ${formatTime(set.targetS, 1)}.` }]
          : [],
    ),
    ...(cost > 0 && felt !== undefined
      ? [
          {
            text: `It should feel like ${Math.round(felt)} °C: about ${(cost * 100).toFixed(0)} % slower is to be expected. The target is not changed for it.`,
          },
        ]
      : []),
  ];
}
