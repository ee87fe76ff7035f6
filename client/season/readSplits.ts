import { lapSplits } from '@core/season/raceDay';
import { parseTime } from '@core/units/time';

export type SplitUnit = 'lap' | 'km';

/** Where the times are taken: at the finish line every lap, or every kilometre and at the finish. */
export function splitMarks(distanceM: number, unit: SplitUnit): number[] {
  if (unit === 'lap') return lapSplits({ distanceM, goalS: 1, shape: 'even' }).map(({ atM }) => atM);
  const km = Array.from({ length: Math.floor(distanceM / 1000) }, (_, i) => (i + 1) * 1000);
  return distanceM % 1000 > 1 ? [...km, distanceM] : km;
}

export type ReadSplits = { ok: true; splits: { atM: number; timeS: number }[] } | { ok: false; message: string };

/** Reads times as they are called: from the gun, or one a lap, whichever they are. */
export function readSplits(text: string, distanceM: number, unit: SplitUnit): ReadSplits {
  const marks = splitMarks(distanceM, unit);
  const times: number[] = [];
  for (const word of text.split(/[\s;]+/).filter(Boolean)) {
    const read = parseTime(word);
    if (!read.ok) return { ok: false, message: read.message };
    times.push(read.timeS);
  }
  if (times.length !== marks.length)
    return {
      ok: false,
      message: `This race has ${marks.length} of them (one a ${unit}); there ${times.length === 1 ? 'is' : 'are'} ${times.length}.`,
    };
  const isFromGun =
    times.every((timeS, i) => i === 0 || timeS > (times[i - 1] ?? 0)) &&
    (times.length === 1 || (times.at(-1) ?? 0) > 1.5 * (times[0] ?? 0));
  let sum = 0;
  const splits = marks.map((atM, i) => {
    const timeS = times[i] ?? 0;
    sum += timeS;
    return { atM, timeS: isFromGun ? timeS : sum };
  });
  return { ok: true, splits };
}
