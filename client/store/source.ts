import { useLayoutEffect, useState } from 'react';

/** A value outside React, as useSyncExternalStore() takes it: a component can follow it without being rendered with its parent. */
export type Source<T> = {
  /** The same until it changes, but for the time where that goes with it. */
  getSnapshot: () => T;
  /** @returns what ends it. */
  subscribe: (onChange: () => void) => () => void;
};

/** A store, as far as a source needs it: see store.ts. */
type Store<S> = { getState: () => S; subscribe: (onChange: () => void) => () => void };

/** A value selected from a store. `select` returns the same value for as long as what it looks at does not change. */
export const fromStore = <S, T>({ getState, subscribe }: Store<S>, select: (state: S) => T): Source<T> => {
  const getSnapshot = () => select(getState());
  return {
    getSnapshot,
    subscribe: (onChange) => {
      let before = getSnapshot();
      return subscribe(() => {
        const now = getSnapshot();
        if (now === before) return;
        before = now;
        onChange();
      });
    },
  };
};

/** A component's value as a source, for children that are not to be rendered with it. */
export function useAsSource<T>(value: T): Source<T> {
  const [{ source, publish }] = useState(() => {
    let current = value;
    const listeners = new Set<() => void>();
    return {
      source: {
        getSnapshot: () => current,
        subscribe: (onChange: () => void) => {
          listeners.add(onChange);
          return () => void listeners.delete(onChange);
        },
      },
      publish: (next: T) => {
        if (next === current) return;
        current = next;
        for (const onChange of listeners) onChange();
      },
    };
  });
  useLayoutEffect(() => publish(value), [publish, value]);
  return source;
}
