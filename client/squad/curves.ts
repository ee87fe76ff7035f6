import { useMemo } from 'react';
import { CurveError, fitCurve, type Curve } from '@core/fitness/curve';
import type { Mark } from '@core/fitness/mark';
import type { Athlete } from '../store/api';

/** The curve of an athlete as of a day (YYYY-MM-DD), or undefined if no mark can carry one. */
export function curveOf(marks: readonly Mark[], asOf: string): Curve | undefined {
  try {
    return fitCurve(marks, { asOf });
  } catch (error) {
    if (error instanceof CurveError) return undefined;
    throw error;
  }
}

/** Everyone's curve as of a day, by athlete id. */
export function useCurves(athletes: readonly Athlete[] | undefined, asOf: string): Map<string, Curve | undefined> {
  return useMemo(() => new Map((athletes ?? []).map(({ id, marks }) => [id, curveOf(marks, asOf)])), [athletes, asOf]);
}
