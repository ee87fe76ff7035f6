import { configureStore, createListenerMiddleware } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api';
import { keepSettings, settings } from './settings';
import { trackside } from './trackside';
import { setTimeZone } from '../ui/days';

/** The day is the club's: its time zone is kept whenever the squad's settings come in. */
const clubZone = createListenerMiddleware();
clubZone.startListening({
  matcher: api.endpoints.squad.matchFulfilled,
  effect: ({ payload }, { dispatch }) => void dispatch(settings.actions.timeZoneHeard(payload.club?.timeZone)),
});

/** Everything the screens share. */
export const store = configureStore({
  reducer: { [api.reducerPath]: api.reducer, settings: settings.reducer, trackside: trackside.reducer },
  middleware: (defaults) => defaults().concat(api.middleware, clubZone.middleware),
  // A decision renders before the next press, which builds on it; the default is a frame later.
  enhancers: (defaults) => defaults({ autoBatch: { type: 'tick' } }),
});
setupListeners(store.dispatch);

let kept = store.getState().settings;
setTimeZone(kept.timeZone);
store.subscribe(() => {
  const { settings: now } = store.getState();
  if (now !== kept) keepSettings(now);
  if (now.timeZone !== kept.timeZone) setTimeZone(now.timeZone);
  kept = now;
});

export type AppState = ReturnType<typeof store.getState>;
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
export const useAppSelector = useSelector.withTypes<AppState>();
