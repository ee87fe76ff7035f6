import { enduranceTimeFor } from '@core/fitness/endurance';
import type { Mark } from '@core/fitness/mark';

export const AS_OF = '2026-11-01';
const DISTANCES_M = [400, 800, 1500, 1609.344, 3000, 5000, 10_000, 800, 1500, 3000, 5000, 10_000];
const FIRST = ['Ash', 'Bex', 'Cal', 'Dee', 'Eli', 'Fay', 'Gil', 'Hal', 'Isa', 'Jem'];
const FAMILY = ['Overdale', 'Pinmoor', 'Quarrel', 'Rushby', 'Stainmore', 'Thornage'];

/** Sixty made-up athletes with a dozen marks each over the last months, each a little off what they can run. */
export const SQUAD: { name: string; marks: Mark[] }[] = FAMILY.flatMap((family, f) =>
  FIRST.map((first, i) => {
    const mapWkg = 15 + f + i * 0.3;
    const truth = { mapWkg, eWkg: -0.05 * mapWkg, aJkg: 55 * mapWkg };
    const marks = DISTANCES_M.map((distanceM, m): Mark => {
      const off = 1 + 0.012 * Math.sin(7 * m + 3 * i + f);
      const timeS = Math.round(enduranceTimeFor(truth, distanceM) * off * 10) / 10;
      return { distanceM, timeS, date: `2026-0${1 + (m % 9)}-1${i % 10}`, kind: m % 4 === 0 ? 'trial' : 'race' };
    });
    return { name: `${first} ${family}`, marks };
  }),
);
