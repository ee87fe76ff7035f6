import { readReady, type ReadyAnswer, type ReadyAsked } from '@core/judgement/nextReady';

const scope = globalThis as unknown as {
  onmessage: (event: MessageEvent<ReadyAsked[]>) => void;
  postMessage: (answers: ReadyAnswer[]) => void;
};

scope.onmessage = ({ data }) => scope.postMessage(readReady(data));

/** For who starts it. */
export type ReadyWorker = { asks: ReadyAsked[]; answers: ReadyAnswer[] };
