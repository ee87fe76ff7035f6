import { useEffect, useState } from 'react';
import type { SessionFacts } from '@core/judgement/facts';
import { readReady, readyAsked } from '@core/judgement/nextReady';
import { useSquad } from '../../data/useSquad';
import { askWorker } from '../../store/askWorker';
import type { ReadyWorker } from './ready.worker';

type Asks = ReadyWorker['asks'];
type Answers = ReadyWorker['answers'];

/** The latest question, its answers once they are there, and who waits for them. */
type Asked = { key: string; answers?: Answers; waiting: Set<(answers: Answers) => void>; stop: () => void };
let latest: Asked | undefined;

function start(key: string, asks: Asks): Asked {
  const asked: Asked = { key, waiting: new Set(), stop: () => undefined };
  const worker = new Worker(new URL('./ready.worker.ts', window.location.href));
  asked.stop = askWorker(worker, asks, readReady, (answers) => {
    asked.answers = answers;
    for (const tell of asked.waiting) tell(answers);
  });
  return asked;
}

/** Asks a worker; the same question again is answered by the one already asked. @returns what ends the waiting. */
function ask(asks: Asks, tell: (answers: Answers) => void): () => void {
  const key = JSON.stringify(asks);
  if (latest?.key !== key) {
    // Another page may still wait for it.
    if (latest?.waiting.size === 0) latest.stop();
    latest = start(key, asks);
  }
  const { answers, waiting } = latest;
  if (answers) tell(answers);
  else waiting.add(tell);
  return () => waiting.delete(tell);
}

/**
 * Readiness of everyone, worked out in a worker; undefined until it is there. The result's page asks ahead of the page of the next step.
 * @param facts undefined until all of them are known.
 */
export function useReady(facts: SessionFacts | undefined): Answers | undefined {
  const { squad } = useSquad();
  const [found, setFound] = useState<Answers>();
  useEffect(() => {
    if (!squad || !facts) return undefined;
    const ids = new Set(squad.athletes.map(({ id }) => id));
    return ask(
      readyAsked(facts, (athleteId) => ids.has(athleteId)),
      setFound,
    );
  }, [facts, squad]);
  return found;
}
