import { configureStore } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api';
import { keepSettings, settings } from './settings';
import { trackside } from '../log/slice';

/** Everything the screens share. */
export const store = configureStore({
  reducer: { [api.reducerPath]: api.reducer, settings: settings.reducer, trackside: trackside.reducer },
  middleware: (defaults) => defaults().concat(api.middleware),
  // What is decided is on the screen before the next press, which goes on from it; by default that is a frame later.
  enhancers: (defaults) => defaults({ autoBatch: { type: 'tick' } }),
});
setupListeners(store.dispatch);

let kept = store.getState().settings;
store.subscribe(() => {
  const { settings: now } = store.getState();
  if (now !== kept) keepSettings(now);
  kept = now;
});

export type AppState = ReturnType<typeof store.getState>;
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
export const useAppSelector = useSelector.withTypes<AppState>();
