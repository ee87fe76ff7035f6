import { useEffect, useState } from 'react';
import type { SessionFacts } from '@core/judgement/facts';
import { readReady, readyAsked } from '@core/judgement/nextReady';
import { useSquad } from '../../data/useSquad';
import { askWorker } from '../../store/askWorker';
import type { ReadyWorker } from './ready.worker';

type Answers = ReadyWorker['answers'];

/** Readiness of everyone, worked out in a worker; undefined until it is there. @param facts undefined until all of them are known. */
export function useReady(facts: SessionFacts | undefined): Answers | undefined {
  const { squad } = useSquad();
  const [found, setFound] = useState<Answers>();
  useEffect(() => {
    if (!squad || !facts) return undefined;
    const ids = new Set(squad.athletes.map(({ id }) => id));
    const asks: ReadyWorker['asks'] = readyAsked(facts, (athleteId) => ids.has(athleteId));
    return askWorker(new Worker(new URL('./ready.worker.ts', window.location.href)), asks, readReady, setFound);
  }, [facts, squad]);
  return found;
}
