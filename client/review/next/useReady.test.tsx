/** Readiness is asked for once, ahead of the page that shows it. */
import { act } from '@testing-library/react';
import type { SessionFacts } from '@core/judgement/facts';
import { at, curve, end, pass, planOf, start } from '@core/run/testing';
import { replay } from '@core/run/replay';
import { reviewRun } from '@core/review/review';
import { factsOf } from '@core/judgement/facts';
import { readReady } from '@core/judgement/nextReady';
import { hook } from '../../testing';
import { useReady } from './useReady';
import type { ReadyWorker } from './ready.worker';

const SQUAD = { athletes: [{ id: 'a0' }, { id: 'a1' }] };
jest.mock('../../data/useSquad', () => ({ useSquad: () => ({ squad: SQUAD }) }));

class MadeUpWorker {
  static all: MadeUpWorker[] = [];
  onmessage: ((event: { data: ReadyWorker['answers'] }) => void) | undefined;
  asks: ReadyWorker['asks'] = [];
  isOver = false;
  constructor() {
    MadeUpWorker.all.push(this);
  }
  postMessage(asks: ReadyWorker['asks']) {
    this.asks = asks;
  }
  terminate() {
    this.isOver = true;
  }
  answer() {
    act(() => this.onmessage?.({ data: readReady(this.asks) }));
  }
}

beforeEach(() => {
  MadeUpWorker.all = [];
  Object.assign(globalThis, { Worker: MadeUpWorker });
});

function factsBy(effort: number): SessionFacts {
  const plan = planOf('2x400 @5k / 60s');
  const state = replay(plan, [
    start(0, 0, ['a0', 'a1']),
    pass(89, 'a0', 400, 0),
    pass(89, 'a1', 400, 0),
    at(100, { type: 'felt', athleteId: 'a0', repIndex: 0, effort }),
    end(200),
  ]);
  return factsOf({ plan, state, reviews: reviewRun(state), knownOf: () => ({ curve }) });
}

test('one worker answers the same question, whoever asks and when', () => {
  const facts = factsBy(6);
  const ahead = hook(() => useReady(facts));
  expect(MadeUpWorker.all).toHaveLength(1);
  // The next page gathers the same facts anew.
  const again = factsBy(6);
  ahead.unmount();
  const page = hook(() => useReady(again));
  expect(page.result.current).toBeUndefined();
  MadeUpWorker.all[0]?.answer();
  expect(page.result.current?.map(({ athleteId }) => athleteId)).toEqual(['a0', 'a1']);
  const third = hook(() => useReady(again));
  expect(third.result.current).toBe(page.result.current);
  expect(MadeUpWorker.all).toHaveLength(1);
});

test('other facts are another question, and end the one before', () => {
  const [before, after] = [factsBy(7), factsBy(9)];
  let facts = before;
  const { result, rerender } = hook(() => useReady(facts));
  facts = after;
  rerender();
  expect(MadeUpWorker.all.map(({ isOver }) => isOver)).toEqual([true, false]);
  MadeUpWorker.all[1]?.answer();
  expect(result.current).toHaveLength(2);
});
