import { readFitness, type FitnessAsked, type FitnessReading } from '@core/review/fitnessReading';

/** What is asked: everyone who ran and has a curve. */
export type SquadAsked = FitnessAsked[];

const scope = globalThis as unknown as {
  onmessage: (event: MessageEvent<SquadAsked>) => void;
  postMessage: (readings: FitnessReading[]) => void;
};

scope.onmessage = ({ data }) => scope.postMessage(data.map(readFitness));
