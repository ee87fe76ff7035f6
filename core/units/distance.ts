/** Distances as people write them, and as the app prints them. Inside the app a distance is always metres. */

export const MILE_M = 1609.344;
export const HALF_MARATHON_M = 21097.5;
export const MARATHON_M = 42195;

/** What reading a typed distance came to: metres, or a sentence that says why not. */
export type ReadDistance = { ok: true; distanceM: number } | { ok: false; message: string };

const NAMED_M: Record<string, number> = {
  mile: MILE_M,
  'half marathon': HALF_MARATHON_M,
  half: HALF_MARATHON_M,
  marathon: MARATHON_M,
};

const UNIT_M: Record<string, number> = {
  m: 1,
  metres: 1,
  meters: 1,
  k: 1000,
  km: 1000,
  mi: MILE_M,
  mile: MILE_M,
  miles: MILE_M,
};

/** The distances offered first when a mark is entered, in metres. Any other can be typed. */
export const USUAL_DISTANCES_M = [400, 800, 1500, MILE_M, 3000, 5000, 10000, HALF_MARATHON_M];

/** Reads a distance as a person types it: `800`, `1500 m`, `5k`, `10 km`, `mile`, `2 miles`, `half marathon`. */
export function parseDistance(text: string): ReadDistance {
  if (text.trim() === '') return { ok: false, message: 'There is no distance yet. Write it like 800, 5k or mile.' };
  const typed = text.trim().toLowerCase().replace(',', '.').replace(/\s+/g, ' ');
  const named = NAMED_M[typed];
  if (named !== undefined) return { ok: true, distanceM: named };
  const match = /^(\d+(?:\.\d+)?) ?([a-z]*)$/.exec(typed);
  const unitM = match ? (match[2] === '' ? 1 : UNIT_M[match[2] ?? '']) : undefined;
  if (!match || unitM === undefined)
    return {
      ok: false,
      message: `“${text.trim()}” is not a distance that can be read. Write it like 800, 5k or mile.`,
    };
  const distanceM = Math.round(Number(match[1]) * unitM * 1000) / 1000;
  if (distanceM < 50) return { ok: false, message: 'A mark needs a distance of at least 50 m.' };
  if (distanceM > 200_000) return { ok: false, message: 'A mark can be at most 200 km.' };
  return { ok: true, distanceM };
}

/** Prints metres as a coach says them: `800`, `mile`, `5k`, `half marathon`, `1234 m`. */
export function formatDistance(distanceM: number): string {
  if (Math.abs(distanceM - MILE_M) < 0.5) return 'mile';
  if (Math.abs(distanceM - 2 * MILE_M) < 0.5) return '2 miles';
  if (Math.abs(distanceM - HALF_MARATHON_M) < 3) return 'half marathon';
  if (Math.abs(distanceM - MARATHON_M) < 6) return 'marathon';
  if (distanceM >= 5000 && distanceM % 1000 === 0) return `${distanceM / 1000}k`;
  if (distanceM % 100 === 0) return String(distanceM);
  return `${Math.round(distanceM * 10) / 10} m`;
}

/** What totals of running are said in. */
export const LENGTH_UNITS = ['km', 'mi'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];

/** Prints a total length of running with one decimal: `6.4 km`, `4.0 miles`. */
export function formatLength(distanceM: number, unit: LengthUnit = 'km'): string {
  return unit === 'mi' ? `${(distanceM / MILE_M).toFixed(1)} miles` : `${(distanceM / 1000).toFixed(1)} km`;
}
