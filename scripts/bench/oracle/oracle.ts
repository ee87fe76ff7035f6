/**
 * The oracle: what the app concludes, held against made-up athletes whose fitness is known. Seeded; its table is kept in
 * docs/decisions/0039-oracle.md, so that whoever changes a prior sees what that does to bias, coverage, false alarms and power.
 */
import { goalsReached } from './goals';
import { equivalence, slips, TABLES } from './marks';
import { WORLDS } from './runners';
import { figuresOf, type Scenario } from './weeks';

const ATHLETES = { weeks: 100, marks: 600, goals: 1500 };

const SCENARIOS: readonly (Omit<Scenario, 'world'> & { name: string })[] = [
  { name: 'unchanged' },
  { name: '+3 % on day 0', step: 0.03 },
  { name: 'unchanged, all estimates kept', keeps: true },
  { name: '+3 %, all estimates kept', step: 0.03, keeps: true },
  { name: 'unchanged, a race every 3 weeks', raceWeeks: 3 },
  { name: '+0.2 % a week, a race every 3 weeks', perWeek: 0.002, raceWeeks: 3 },
];

const cell = (value: number, decimals = 0) => value.toFixed(decimals).padStart(6);

export function oracle(): void {
  console.log('16 weeks, two sessions a week. Slow: the curve against the truth at the end, %. In 1, 2: truth within');
  console.log(
    'one and two errors, %. Fitter, less: ever reported in 16 weeks, %. In six: fitter within six sessions, %.',
  );
  for (const world of WORLDS)
    for (const { name, ...scenario } of SCENARIOS) {
      const { slowPct, within1, within2, fitter, lessFit, fitterIn6 } = figuresOf(
        { world, ...scenario },
        ATHLETES.weeks,
      );
      console.log(
        `${`${world}: ${name}`.padEnd(44)} slow ${cell(slowPct, 2)}  in 1 ${cell(within1)}  in 2 ${cell(within2)}  fitter ${cell(fitter)}  less ${cell(lessFit)}  in six ${cell(fitterIn6)}`,
      );
    }
  for (const world of WORLDS)
    for (const slip of [0.9, 1.1]) {
      const { found, blamed } = slips(world, slip, ATHLETES.marks);
      console.log(
        `${world}: a 5k typed at ${slip} beside right 800, 1500, 3000: found ${found.toFixed(1)} %, another blamed ${blamed.toFixed(1)} %`,
      );
    }
  for (const [name, table] of Object.entries(TABLES)) {
    const { rms, most } = equivalence(table);
    console.log(
      `5k of 13:30 to 33:00 to 1500 … half against ${name}: rms ${rms.toFixed(2)} %, most ${most.toFixed(1)} %`,
    );
  }
  for (const world of WORLDS)
    for (const { from, to, n, saidPct, happenedPct } of goalsReached(world, ATHLETES.goals))
      console.log(
        `${world}: goals given ${100 * from} to ${100 * to} in 100 (${n}): said ${saidPct.toFixed(0)}, happened ${happenedPct.toFixed(0)}`,
      );
}
