/** A list of laps as a watch saves it: CSV with a time a row, and perhaps a distance. */
import { parseTime } from '../units/time';
import { readTable } from './roster/table';

export type WatchLap = { timeS: number; distanceM?: number };
export type ReadLaps = { ok: true; laps: WatchLap[] } | { ok: false; message: string };

/** Headings for how long a lap took; a running total is something else. */
const TIME_HEADS = /^(lap|split|moving|elapsed)?\s*(time|duration|zeit|dauer)\b/i;
const TOTAL = /total|cumul|overall|start/i;
const DISTANCE_HEADS = /dist|strecke/i;

const isTime = (text: string) => parseTime(text).ok;

/** Metres in a cell; below 50 without a unit they are kilometres. */
function metresIn(text: string, head: string): number | undefined {
  const number = Number(
    text
      .toLowerCase()
      .replace(/[^0-9.,]/g, '')
      .replace(',', '.'),
  );
  if (!(number > 0)) return undefined;
  const unit = `${head} ${text}`.toLowerCase();
  if (/\bmi(les?)?\b/.test(unit)) return number * 1609.344;
  if (/\bkm\b/.test(unit)) return number * 1000;
  if (/\bm(et(er|re)s?)?\b/.test(unit)) return number;
  return number < 50 ? number * 1000 : number;
}

/** Reads a watch's laps; rows that are no laps (totals, headings) are passed over. */
export function readWatchLaps(bytes: Uint8Array): ReadLaps {
  const read = readTable(bytes);
  if (!read.ok) return { ok: false, message: read.message.replace('Nothing was imported.', 'No lap was taken.') };
  const { rows } = read.table;
  const heads = rows[0]?.cells ?? [];
  const columns = heads.map((_, i) => i);
  const timesIn = (column: number) => rows.filter(({ cells }) => isTime(cells[column] ?? '')).length;
  const named = columns.filter((i) => TIME_HEADS.test(heads[i] ?? '') && !TOTAL.test(heads[i] ?? ''));
  // Without a heading: the column with colons in most of its rows.
  const withColons = (column: number) => rows.filter(({ cells }) => /\d:\d\d/.test(cells[column] ?? '')).length;
  const timeColumn =
    named[0] ?? [...columns].sort((a, b) => withColons(b) - withColons(a) || timesIn(b) - timesIn(a))[0];
  const distanceColumn = columns.find((i) => DISTANCE_HEADS.test(heads[i] ?? '') && !TOTAL.test(heads[i] ?? ''));
  const laps = rows.flatMap(({ cells }): WatchLap[] => {
    if (timeColumn === undefined || /total|sum|average|mean/i.test(cells[0] ?? '')) return [];
    const time = parseTime(cells[timeColumn] ?? '');
    if (!time.ok) return [];
    const distanceM =
      distanceColumn === undefined ? undefined : metresIn(cells[distanceColumn] ?? '', heads[distanceColumn] ?? '');
    return [{ timeS: time.timeS, ...(distanceM === undefined ? {} : { distanceM }) }];
  });
  if (laps.length === 0)
    return { ok: false, message: 'No lap times were found in this file. A row a lap is needed, with its time.' };
  return { ok: true, laps };
}

type Rep = { distanceM?: number; targetS?: number };

/** How unlike a rep a lap looks; undefined if it cannot be it. */
function mismatch(lap: WatchLap, { distanceM, targetS }: Rep): number | undefined {
  const byDistance =
    lap.distanceM === undefined || distanceM === undefined ? undefined : Math.abs(lap.distanceM / distanceM - 1);
  const byTime = targetS === undefined ? undefined : Math.abs(lap.timeS / targetS - 1);
  if (byDistance !== undefined && byDistance > 0.12) return undefined;
  if (byTime !== undefined && byTime > 0.25) return undefined;
  return (byDistance ?? 0) + (byTime ?? 0.05);
}

/** A rep without a lap costs more than any possible lap. */
const NONE = 1;

/** Sums of the same terms in another order differ by rounding only. */
const isSame = (a: number | undefined, b: number | undefined) => Math.abs((a ?? Infinity) - (b ?? Infinity)) < 1e-9;

/** Assigns laps to reps in order, minimising the total unlikeness; laps between them are recoveries. */
export function matchLaps(laps: readonly WatchLap[], reps: readonly Rep[]): (WatchLap | undefined)[] {
  const cost = [new Array<number>(laps.length + 1).fill(0)];
  for (const [i, rep] of reps.entries()) {
    const before = cost[i] ?? [];
    const row = [(before[0] ?? 0) + NONE];
    for (const [j, lap] of laps.entries()) {
      const here = (before[j] ?? 0) + (mismatch(lap, rep) ?? Infinity);
      row.push(Math.min(row[j] ?? 0, (before[j + 1] ?? 0) + NONE, here));
    }
    cost.push(row);
  }
  const matched: (WatchLap | undefined)[] = [];
  let j = laps.length;
  for (let i = reps.length; i > 0; i--) {
    // On a tie the first laps are the first reps: the last ones are left out.
    if (isSame(cost[i]?.[j], (cost[i - 1]?.[j] ?? 0) + NONE)) {
      matched.unshift(undefined);
      continue;
    }
    while (j > 0 && isSame(cost[i]?.[j], cost[i]?.[j - 1])) j--;
    const lap = laps[j - 1];
    const rep = reps[i - 1];
    const isIt = lap && rep && isSame(cost[i]?.[j], (cost[i - 1]?.[j - 1] ?? 0) + (mismatch(lap, rep) ?? Infinity));
    matched.unshift(isIt ? lap : undefined);
    if (isIt) j--;
  }
  return matched;
}
