import { api } from '../store/api';
import { store } from '../store/store';
import { today } from '../ui/days';

/**
 * Reads and stores the squad as soon as the app opens: its page opens at once, and sessions can be laid out at the track without a
 * network.
 * @returns what stops it.
 */
export function startKeepingSquad(): () => void {
  const kept = [
    store.dispatch(api.endpoints.athletes.initiate()),
    store.dispatch(api.endpoints.squad.initiate()),
    store.dispatch(api.endpoints.paceBooks.initiate()),
    store.dispatch(api.endpoints.venues.initiate()),
    store.dispatch(api.endpoints.sessionsOn.initiate({ from: today() })),
    store.dispatch(api.endpoints.seasons.initiate()),
  ];
  return () => kept.forEach((query) => query.unsubscribe());
}
