/** How much hard work a session is for the runner the templates are written for. */
import { fitCurve } from '../../fitness/curve';
import { curveBook } from '../../paces/shippedPaceBooks';
import { parseStored } from '../../session/parseSession';
import { isWork, targetsFor } from '../../targets/targetsFor';
import { amountsOf } from '../../targets/totals';
import { standardTrack } from '../../venue/venue';

/** The templates are written for a grown club runner with this time over 5000 m. */
export const REFERENCE_5K_S = 1140;
const REFERENCE_DAY = '2020-01-01';
const MARK = { distanceM: 5000, timeS: REFERENCE_5K_S, date: REFERENCE_DAY, kind: 'race' } as const;
const SOURCE = {
  curve: fitCurve([MARK], { asOf: REFERENCE_DAY }),
  paceBook: curveBook,
  venue: standardTrack,
};

/** The same few texts are asked for with every season that is laid out. */
const cache = new Map<string, number>();
const MOST_CACHED = 500;

function worked(shorthand: string): number {
  const parsed = parseStored(shorthand);
  if (!parsed.ok) return 0;
  const seconds = targetsFor(parsed.session, SOURCE).reduce(
    (sum, leg) => (leg.kind === 'rep' && !leg.drills && isWork(leg) ? sum + amountsOf(leg).durationS : sum),
    0,
  );
  return seconds / 60;
}

/** Minutes of the reps of main part and fast finish, recoveries left out, for a runner of 19:00; 0 where the text cannot be read. */
export function hardMinutes(shorthand: string): number {
  const minutes = cache.get(shorthand) ?? worked(shorthand);
  if (cache.size >= MOST_CACHED) cache.clear();
  cache.set(shorthand, minutes);
  return minutes;
}
