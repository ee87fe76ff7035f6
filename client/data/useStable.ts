import isEqual from 'fast-deep-equal';
import { useState } from 'react';

/** A value made anew with every change around it: the one before for as long as the new one says the same. */
export function useStable<T>(value: T): T {
  const [stable, setStable] = useState(value);
  if (stable === value) return stable;
  if (isEqual(stable, value)) return stable;
  setStable(value);
  return value;
}
