import { useEffect, useState } from 'react';
import { readReady, readyAsked } from '@core/review/nextReady';
import type { ReadRun } from '../useReview';
import { memberOf, pacesOf, useSquad } from '../../data/useSquad';
import { useTellings } from '../../data/useTellings';
import { askWorker } from '../../store/askWorker';
import type { ReadyWorker } from './ready.worker';

type Answers = ReadyWorker['answers'];

const answersTo = (asks: ReadyWorker['asks']): Answers => asks.map(readReady);

/** Who is ready for what comes next, worked out in a worker; undefined until it is there. */
export function useReady(read: ReadRun): Answers | undefined {
  const { squad } = useSquad();
  const tellings = useTellings(read.plan.date);
  const [found, setFound] = useState<Answers>();
  useEffect(() => {
    if (!squad || !tellings) return undefined;
    const { plan, state, reviews } = read;
    const asks: ReadyWorker['asks'] = readyAsked(state, reviews, plan.arc, (athleteId) => {
      const athlete = memberOf(squad, athleteId);
      if (!athlete || athlete.archived) return undefined;
      const { curve } = pacesOf(athlete, squad, plan.date);
      const telling = tellings[athleteId];
      return { ...(curve ? { curve } : {}), ...(telling ? { telling } : {}) };
    });
    return askWorker(new Worker(new URL('./ready.worker.ts', window.location.href)), asks, answersTo, setFound);
  }, [read, squad, tellings]);
  return found;
}
