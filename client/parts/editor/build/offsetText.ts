import { MILE_M } from '@core/units/distance';

/** How a pace is moved, as a coach says it: `0.5 s a lap quicker`. */
export function offsetText(offset: { offsetS: number; perM: number } | undefined): string {
  if (!offset || offset.offsetS === 0) return 'as it is';
  const { offsetS, perM } = offset;
  const per =
    perM === 400 ? 'a lap' : perM === 1000 ? 'a km' : Math.abs(perM - MILE_M) < 1 ? 'a mile' : `per ${perM} m`;
  return `${Math.round(Math.abs(offsetS) * 100) / 100} s ${per} ${offsetS < 0 ? 'quicker' : 'slower'}`;
}
