import { useLayoutEffect, useState } from 'react';

/** Something that changes: what it is now, and a way to hear of every change without being drawn for it. */
export type Source<T> = {
  /** The same until it changes, but for the time where that goes with it. */
  now: () => T;
  /** @returns what stops it. */
  hear: (heard: () => void) => () => void;
};

/** What the screens share: see store.ts. */
type Shared<S> = { getState: () => S; subscribe: (heard: () => void) => () => void };

/** What is read out of a store, or worked out from it. `read` gives the same for as long as nothing changes that it looks at. */
export const fromStore = <S, T>({ getState, subscribe }: Shared<S>, read: (state: S) => T): Source<T> => {
  const now = () => read(getState());
  return {
    now,
    hear: (heard) => {
      let told = now();
      return subscribe(() => {
        const is = now();
        if (is === told) return;
        told = is;
        heard();
      });
    },
  };
};

/** What a component works out at each drawing, for those who are not to be drawn with it. */
export function useAsSource<T>(value: T): Source<T> {
  const [{ source, become }] = useState(() => {
    let is = value;
    const hearers = new Set<() => void>();
    return {
      source: {
        now: () => is,
        hear: (heard: () => void) => {
          hearers.add(heard);
          return () => void hearers.delete(heard);
        },
      },
      become: (next: T) => {
        if (next === is) return;
        is = next;
        for (const heard of hearers) heard();
      },
    };
  });
  useLayoutEffect(() => become(value), [become, value]);
  return source;
}
