import { useEffect, useState } from 'react';
import { today } from './days';

/** An app that is left open is looked at again the next morning. */
const EVERY_MS = 60_000;

/** The club's day, drawn anew when it is another one. */
export function useToday(): string {
  const [day, setDay] = useState(today);
  useEffect(() => {
    const look = () => setDay(today());
    // It may have been told the club's time zone meanwhile.
    look();
    const timer = setInterval(look, EVERY_MS);
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
    };
  }, []);
  return day;
}
