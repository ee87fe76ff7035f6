/** An athlete's way of rating effort, in a coach's words. */
import { counted } from '@core/units/counted';
import { toldAboveMost, type Calibration, type Telling } from '@core/outlook/calibration';

/** Less than this from what most tell is as most tell. */
const AS_MOST = 0.5;

/** `about 1 lower than most`; undefined where they tell much as most do. */
export function toldAboveText(telling: Telling): string | undefined {
  const above = toldAboveMost(telling);
  if (Math.abs(above) < AS_MOST) return undefined;
  return `about ${Math.round(Math.abs(above) * 2) / 2} ${above > 0 ? 'higher' : 'lower'} than most`;
}

/** `Rates effort about 1 lower than most (give or take 0.3), from 26 reps.` */
export function calibrationText(calibration: Calibration): string {
  const { aError, n } = calibration;
  const how = toldAboveText(calibration);
  const from = `from ${counted(n, 'rep')}`;
  return how === undefined
    ? `Rates effort much as most do, ${from}.`
    : `Rates effort ${how} (give or take ${aError.toFixed(1)}), ${from}.`;
}
