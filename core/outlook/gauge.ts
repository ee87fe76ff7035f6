/** What one athlete is measured by when a session is predicted: their reserve, and how long they can hold a speed. */
import { speedFor, type Curve } from '../fitness/curve';
import { reserveModel, type ReserveModel } from '../targets/reserve';
import { limitWeightOf } from '../targets/totals';

/**
 * `heldS` is seconds for which a speed in m/s can be held flat out; `staminaM` metres that can be run flat out in the quarter of an hour
 * from which it is stamina that ends a run, more than the reserve.
 */
export type Gauge = {
  model: ReserveModel;
  heldS: (speedMps: number) => number;
  staminaM: number;
  /** See limitWeightOf(). */
  limitWeight: (speedMps: number) => number;
};

const STAMINA_S = 900;

/** The curve is read at so many times, evenly on a logarithmic scale from a sprint to ten hours; between them ln(time) goes straight with speed. */
const READ = { fromS: 5, toS: 36_000, points: 33 };

const cache = new WeakMap<Curve, Gauge>();

/** An athlete's gauge; cached for each curve. */
export function gaugeOf(curve: Curve): Gauge {
  const gauge = cache.get(curve) ?? readGauge(curve);
  cache.set(curve, gauge);
  return gauge;
}

function readGauge(curve: Curve): Gauge {
  const { fromS, toS, points } = READ;
  const step = Math.log(toS / fromS) / (points - 1);
  const lnS = Array.from({ length: points }, (_, i) => Math.log(fromS) + i * step);
  // Some models let a very short sprint be slower than a longer one: a speed is held as long as it can be.
  const speeds: number[] = [];
  for (let i = points - 1; i >= 0; i--)
    speeds[i] = Math.max(speedFor(curve, Math.exp(lnS[i] ?? 0)), speeds[i + 1] ?? 0);
  const heldS = (speedMps: number) => {
    if (speedMps >= (speeds[0] ?? 0)) return fromS;
    if (speedMps <= (speeds[points - 1] ?? 0)) return toS;
    let [low, high] = [0, points - 1];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if ((speeds[middle] ?? 0) > speedMps) low = middle;
      else high = middle;
    }
    const [fast = 0, slow = 0] = [speeds[low], speeds[high]];
    return Math.exp((lnS[low] ?? 0) + (step * (fast - speedMps)) / Math.max(1e-9, fast - slow));
  };
  return {
    model: reserveModel(curve),
    heldS,
    staminaM: STAMINA_S * speedFor(curve, STAMINA_S),
    limitWeight: limitWeightOf(curve),
  };
}
