import isEqual from 'fast-deep-equal';
import { useState } from 'react';

/** A value made anew with every change around it: the one before for as long as the new one says the same. Each is compared once. */
export function useStable<T>(value: T): T {
  const [seen, setSeen] = useState({ value, stable: value });
  if (seen.value === value) return seen.stable;
  const stable = isEqual(seen.stable, value) ? seen.stable : value;
  setSeen({ value, stable });
  return stable;
}
