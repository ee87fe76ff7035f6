import { useEffect, useMemo, useState } from 'react';
import { askedOf, readFitness, type FitnessAsked, type FitnessReading } from '@core/review/fitnessReading';
import type { ReviewRow } from '@core/review/review';
import { memberOf, type SquadView, useSquad } from '../data/useSquad';
import { useTellings, type Tellings } from '../data/useTellings';
import { useLevels, type Levels } from './useLevels';
import { askWorker } from '../store/askWorker';
import type { SquadAsked } from './fitness.worker';
import { knownCurve } from './useFacts';
import type { ReadRun } from './useReview';

type Known = { squad: SquadView; tellings: Tellings; levels: Levels };

/** Squad, calibrations and earlier levels; undefined until all three are loaded. */
export function useKnownForFitness({ plan: { date } }: ReadRun): Known | undefined {
  const { squad } = useSquad();
  const tellings = useTellings(date);
  const levels = useLevels(date);
  return useMemo(
    () => (squad && tellings && levels ? { squad, tellings, levels } : undefined),
    [squad, tellings, levels],
  );
}

function asked(read: ReadRun, row: ReviewRow, { squad, tellings, levels }: Known): FitnessAsked | undefined {
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
    levelsBefore: levels[row.athleteId] ?? [],
  });
}

/** What the session says about one athlete's fitness; undefined for who has no curve. */
export function useFitness(read: ReadRun, row: ReviewRow): FitnessReading | undefined {
  const known = useKnownForFitness(read);
  return useMemo(() => {
    const question = known && asked(read, row, known);
    return question && readFitness(question);
  }, [read, row, known]);
}

const readingsOf = (question: SquadAsked): FitnessReading[] => question.map(readFitness);

/** The same for everyone, worked out in a worker; undefined until it is there. */
export function useSquadFitness(read: ReadRun): readonly FitnessReading[] | undefined {
  const known = useKnownForFitness(read);
  const [found, setFound] = useState<{ read: ReadRun; readings: FitnessReading[] }>();
  useEffect(() => {
    if (!known) return undefined;
    const rows = read.reviews.flatMap((review) => review.rows);
    const question: SquadAsked = rows.flatMap((row) => asked(read, row, known) ?? []);
    const worker = new Worker(new URL('./fitness.worker.ts', window.location.href));
    return askWorker(worker, question, readingsOf, (readings) => setFound({ read, readings }));
  }, [read, known]);
  return found?.read === read ? found.readings : undefined;
}
