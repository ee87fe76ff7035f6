/** Everyone's targets as CSV: a row for each athlete and rep, times in seconds. */
import type { AthletePlan } from '../planning/athletePlans';
import type { DayGroup } from '../planning/dayPlan';
import { USUAL_TOLERANCE } from '../paces/paceBook';
import { isTimedRep } from '../targets/targetsFor';
import { legLabel } from '../track/lapSheet';
import { placeName, type Venue } from '../venue/venue';
import { csv } from './csv';

const FIELDS = [
  'group',
  'athlete',
  'rep',
  'what',
  'pace',
  'target s',
  'tolerance s',
  'metres',
  'at the marks',
  'recovery s',
  'starts at',
  'ends at',
];

const number = (value: number | undefined, digits: number) =>
  value === undefined ? '' : String(Math.round(value * 10 ** digits) / 10 ** digits);

/** Main part and fast finish for everyone, in the order of groups and reps; marks as `200=44.4 400=88.8`. */
export function targetsCsv(plans: readonly AthletePlan[], groups: readonly DayGroup[], venue: Venue): string {
  const nameOf = new Map(groups.map(({ id, name }) => [id, name]));
  return csv(
    FIELDS,
    plans.flatMap(({ runner, groupId, legs }) => {
      let rep = 0;
      return legs.flatMap((leg, i): string[][] => {
        if (!isTimedRep(leg)) return [];
        rep++;
        const { targetS, tolerance = USUAL_TOLERANCE, passes = [], startM, finishM, distanceM, expectedM } = leg;
        const next = legs[i + 1];
        const timed = distanceM === undefined ? undefined : targetS;
        return [
          [
            nameOf.get(groupId) ?? '',
            runner.name,
            String(rep),
            legLabel(leg),
            leg.pace ?? '',
            number(timed, 2),
            number(timed === undefined ? undefined : timed * tolerance, 2),
            number(distanceM ?? expectedM, 1),
            passes.map(({ atM, timeS }) => `${number(atM, 1)}=${number(timeS, 2)}`).join(' '),
            number(next?.kind === 'recovery' ? next.targetS : undefined, 0),
            startM === undefined ? '' : placeName(venue, startM),
            finishM === undefined ? '' : placeName(venue, finishM),
          ],
        ];
      });
    }),
  );
}
