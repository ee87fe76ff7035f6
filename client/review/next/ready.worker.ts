import { readReady, type ReadyAnswer, type ReadyAsked } from '@core/review/nextReady';

const scope = globalThis as unknown as {
  onmessage: (event: MessageEvent<ReadyAsked[]>) => void;
  postMessage: (answers: ReadyAnswer[]) => void;
};

scope.onmessage = ({ data }) => scope.postMessage(data.map(readReady));

/** For who starts it. */
export type ReadyWorker = { asks: ReadyAsked[]; answers: ReadyAnswer[] };
