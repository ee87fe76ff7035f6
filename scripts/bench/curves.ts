import { fitCurve } from '@core/fitness/curve';
import { leastSquares } from '@core/fitness/leastSquares';
import { AS_OF, SQUAD } from './madeUpSquad';
import { report, timed } from './measure';

/** A straight-forward solve of the same size: three unknowns, twelve marks and two priors, linear, with its slopes given. */
function bareSolve(times: readonly number[]): void {
  const rows = [...times.map((timeS, i) => [1, Math.log(timeS), (i % 5) / 5]), [0, 1, 0], [0, 0, 1]];
  const right = [...times.map((timeS) => timeS / 1000), 0.05, 0.5];
  leastSquares(
    (x) => rows.map((row, i) => row.reduce((sum, value, j) => sum + value * (x[j] ?? 0), 0) - (right[i] ?? 0)),
    [0, 0, 0],
    { jacobian: () => rows },
  );
}

/** Every curve of a squad of sixty with twelve marks each, in one go on one core. */
export async function curves(): Promise<void> {
  const fits = await timed(30, () => SQUAD.map(({ marks }) => fitCurve(marks, { asOf: AS_OF })));
  const bare = await timed(30, () => SQUAD.map(({ marks }) => bareSolve(marks.map(({ timeS }) => timeS))));
  report('60 curves from 12 marks each', fits, {
    limitMs: 150,
    against: ['bare least-squares solves of the same size', bare],
  });
}
