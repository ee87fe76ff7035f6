import { useEffect, useMemo, useState } from 'react';
import { askedOf, readFitness, type FitnessAsked, type FitnessReading } from '@core/review/fitnessReading';
import type { ReviewRow } from '@core/review/review';
import { memberOf, type SquadView, useSquad } from '../data/useSquad';
import { useTellings, type Tellings } from '../data/useTellings';
import { askWorker } from '../store/askWorker';
import type { SquadAsked } from './fitness.worker';
import { knownCurve } from './useFacts';
import type { ReadRun } from './useReview';

function asked(read: ReadRun, row: ReviewRow, squad: SquadView, tellings: Tellings): FitnessAsked | undefined {
  const athlete = memberOf(squad, row.athleteId);
  const curve = athlete && knownCurve(athlete, read.plan, squad);
  if (!curve) return undefined;
  const { conditions } = read.state;
  const { heat } = squad.settings;
  const calibration = tellings[row.athleteId];
  return askedOf(row, read.plan.intent, athlete.goal, {
    curve,
    conditions,
    ...(heat ? { heat } : {}),
    ...(calibration ? { calibration } : {}),
  });
}

/** What the session says about one athlete's fitness; undefined for who has no curve. */
export function useFitness(read: ReadRun, row: ReviewRow): FitnessReading | undefined {
  const { squad } = useSquad();
  const tellings = useTellings(read.plan.date);
  return useMemo(() => {
    const question = squad && tellings && asked(read, row, squad, tellings);
    return question && readFitness(question);
  }, [read, row, squad, tellings]);
}

const readingsOf = (question: SquadAsked): FitnessReading[] => question.map(readFitness);

/** The same for everyone, worked out in a worker; undefined until it is there. */
export function useSquadFitness(read: ReadRun): readonly FitnessReading[] | undefined {
  const { squad } = useSquad();
  const tellings = useTellings(read.plan.date);
  const [found, setFound] = useState<{ read: ReadRun; readings: FitnessReading[] }>();
  useEffect(() => {
    if (!squad || !tellings) return undefined;
    const rows = read.reviews.flatMap((review) => review.rows);
    const question: SquadAsked = rows.flatMap((row) => asked(read, row, squad, tellings) ?? []);
    const worker = new Worker(new URL('./fitness.worker.ts', window.location.href));
    return askWorker(worker, question, readingsOf, (readings) => setFound({ read, readings }));
  }, [read, squad, tellings]);
  return found?.read === read ? found.readings : undefined;
}
