import { api } from '../store/api';
import { store } from '../store/store';
import { today } from '../ui/days';
import { inPieces } from '../ui/inPieces';

const { athletes, squad, paceBooks, venues, sessionsOn, seasons } = api.endpoints;

/**
 * Reads and stores the squad as soon as the app opens: its page opens at once, and sessions can be laid out at the track without a
 * network.
 * @returns what stops it.
 */
export function startKeepingSquad(): () => void {
  const kept: { unsubscribe: () => void }[] = [];
  let isOver = false;
  void inPieces(
    [
      () => kept.push(store.dispatch(athletes.initiate())),
      () => kept.push(store.dispatch(squad.initiate())),
      () => kept.push(store.dispatch(paceBooks.initiate())),
      () => kept.push(store.dispatch(venues.initiate())),
      () => kept.push(store.dispatch(sessionsOn.initiate({ from: today() }))),
      () => kept.push(store.dispatch(seasons.initiate())),
    ],
    () => isOver,
  );
  return () => {
    isOver = true;
    kept.forEach((query) => query.unsubscribe());
  };
}
