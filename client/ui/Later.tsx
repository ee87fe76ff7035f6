import { startTransition, useEffect, useState, type ReactNode } from 'react';

/** What stands below what is in sight: drawn once that is painted, without holding up a press. */
export function Later({ children }: { children: ReactNode }) {
  const [isDue, setDue] = useState(false);
  useEffect(() => startTransition(() => setDue(true)), []);
  return isDue ? children : null;
}
