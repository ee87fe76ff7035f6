/** What is said about places and times on the track. */
import type { RepPlaces } from '@core/track/repPlaces';
import type { MarkedJog } from '@core/venue/recoveryDistance';
import type { Standing } from '@core/track/standing';
import type { Clash } from '@core/track/traffic';
import { formatClock } from '@core/units/time';

const reps = ({ from, to }: Pick<RepPlaces, 'from' | 'to'>) => (from === to ? `Rep ${from}` : `Reps ${from} to ${to}`);

/** `Reps 1 to 8, 400: from the finish line to the finish line` */
export function placesText(places: RepPlaces): string {
  const { what, start, finish, aheadM } = places;
  const lane = aheadM === undefined ? '' : `, in that lane ${aheadM.toFixed(1)} m ahead of it`;
  return `${reps(places)}, ${what}: from ${start}${lane}, to ${finish}`;
}

/** `In that lane 200 is 7.3 m further on, 300 3.8 m` */
export function laneText({ marks = [] }: RepPlaces): string | undefined {
  const [first, ...rest] = marks.map(({ atM, aheadM }) => [Math.round(atM), `${aheadM.toFixed(1)} m`]);
  if (!first) return undefined;
  return `The marks in that lane: ${first[0]} lies ${first[1]} further on${rest.map(([atM, aheadM]) => `, ${atM} ${aheadM}`).join('')}.`;
}

/** Whether the walk to the next start fits into the recovery. */
export function walkText({ walk }: RepPlaces): string | undefined {
  if (!walk) return undefined;
  const way = `Then ${Math.abs(walk.byM)} m ${walk.byM > 0 ? 'on' : 'back'} to the ${walk.name}, about ${walk.takesS} s`;
  return walk.takesS > walk.hasS
    ? `${way}: the recovery of ${walk.hasS} s is too short for it.`
    : `${way} of ${walk.hasS} s.`;
}

export const standingText = ({ name, finishes, starts, reps: all }: Standing): string =>
  `Stand at ${name}: ${finishes} of ${all} finishes and ${starts} of ${all} starts are there.`;

/** `Jog 200 m: on the 100 m start, where the rep began` */
export const jogText = ({ distanceM, name, isSameStart }: MarkedJog): string =>
  `Jog ${Math.round(distanceM)} m: to the ${name}${isSameStart ? ', where the rep began' : ''}`;

/** `9:32: Milers, rep 4 and Young ones, rep 3` */
export function clashText({ fromS, groups, kind, athletes }: Clash, nameOf: (id: string) => string): string {
  const who = groups.map(([id, rep]) => `${nameOf(id)}, rep ${rep}`).join(' and ');
  return `${formatClock(fromS)}: ${who}${kind === 'crowd' ? `, ${athletes} at once` : ''}`;
}
