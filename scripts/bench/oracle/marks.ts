/** The oracle of marks: a slip in typing, and times over other distances against published tables. */
import { fitCurve, timeFor } from '@core/fitness/curve';
import { wrongMarksIn } from '@core/fitness/wrongMark';
import { HALF_MARATHON_M, MILE_M } from '@core/units/distance';
import { seeded } from '@core/units/seeded';
import { raceOf, runnerOf, type World } from './runners';

const DAY = '2026-06-01';
const RACED_M = [800, 1500, 3000, 5000];
const SLIPPED_M = 5000;

/** Percent of athletes of whom the slipped mark is asked about, and of whom only another is. */
export function slips(world: World, slip: number, athletes: number): { found: number; blamed: number } {
  const random = seeded(5);
  let [found, blamed] = [0, 0];
  for (let i = 0; i < athletes; i++) {
    const { truth } = runnerOf(world, random);
    const marks = RACED_M.map((distanceM) => {
      const mark = raceOf(truth, distanceM, DAY, random);
      return distanceM === SLIPPED_M ? { ...mark, timeS: mark.timeS * slip } : mark;
    });
    const asked = wrongMarksIn(fitCurve(marks, { asOf: DAY })).map(({ weighed }) => weighed.mark.distanceM);
    if (asked.includes(SLIPPED_M)) found++;
    else if (asked.length > 0) blamed++;
  }
  return { found: (100 * found) / athletes, blamed: (100 * blamed) / athletes };
}

type Table = (fromM: number, fromS: number, toM: number) => number;

/** Riegel, American Scientist 69:285 (1981). */
const riegel: Table = (fromM, fromS, toM) => fromS * (toM / fromM) ** 1.06;

/** D. F. Cameron's formula of equivalent times (1998), distances in metres. */
const cameron: Table = (fromM, fromS, toM) => {
  const a = (metres: number) => 13.49681 - 0.000030363 * metres + 835.7114 / metres ** 0.7905;
  return (fromS / fromM) * (a(fromM) / a(toM)) * toM;
};

/** Daniels & Gilbert, Oxygen Power (1979): oxygen needed by a speed in metres a minute, and the share that is held for so many minutes. */
const oxygenFor = (mPerMin: number) => -4.6 + 0.182258 * mPerMin + 0.000104 * mPerMin ** 2;
const shareHeld = (minutes: number) =>
  0.8 + 0.1894393 * Math.exp(-0.012778 * minutes) + 0.2989558 * Math.exp(-0.1932605 * minutes);
const danielsGilbert: Table = (fromM, fromS, toM) => {
  const worth = (metres: number, timeS: number) => oxygenFor((60 * metres) / timeS) / shareHeld(timeS / 60);
  const wanted = worth(fromM, fromS);
  let [low, high] = [toM / 12, toM / 1.2];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (worth(toM, middle) > wanted) low = middle;
    else high = middle;
  }
  return low;
};

export const TABLES = { 'Riegel 1981': riegel, Cameron: cameron, 'Daniels & Gilbert 1979': danielsGilbert };

/** Root mean square and largest difference, in percent, of times from one 5000 of 13:30 to 33:00 to 1500 m up to the half marathon. */
export function equivalence(table: Table): { rms: number; most: number } {
  let [sum, n, most] = [0, 0, 0];
  for (let fiveS = 810; fiveS <= 1980; fiveS += 30) {
    const curve = fitCurve([{ distanceM: 5000, timeS: fiveS, date: DAY, kind: 'race' }], { asOf: DAY });
    for (const distanceM of [1500, MILE_M, 3000, 10_000, HALF_MARATHON_M]) {
      const off = 100 * Math.log(timeFor(curve, distanceM) / table(5000, fiveS, distanceM));
      sum += off ** 2;
      n++;
      most = Math.max(most, Math.abs(off));
    }
  }
  return { rms: Math.sqrt(sum / n), most };
}
