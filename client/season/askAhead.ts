import { api } from '../store/api';
import { store } from '../store/store';
import { today } from '../ui/days';
import { daysShown } from './useSeasonData';

/** Asks the server for what this week shows, one after the other: its screen, once it is drawn, need not wait for it. */
export function asksAhead(): (() => unknown)[] {
  const { prefetch } = api.util;
  const days = daysShown([], today());
  return [
    prefetch('seasons', undefined, {}),
    prefetch('athletes', undefined, {}),
    prefetch('squad', undefined, {}),
    prefetch('paceBooks', undefined, {}),
    prefetch('library', undefined, {}),
    prefetch('sessionsOn', days, {}),
    prefetch('runsOn', days, {}),
  ].map((ask) => () => store.dispatch(ask));
}
