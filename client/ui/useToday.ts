import { useSyncExternalStore } from 'react';
import { subscribeToday, today } from './days';

/** The club's day, drawn anew when it is another one. */
export const useToday = (): string => useSyncExternalStore(subscribeToday, today);
