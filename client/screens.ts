import { lazyScreen } from './ui/lazyScreen';

// From here, so that whoever starts it has the screens below known to it.
export { startFetchingScreens } from './ui/lazyScreen';

// The lists are in the first load: they are what the coach sees first. What is opened from them follows at once, unasked.
export const AthleteEditor = lazyScreen(async () => (await import('./squad/AthleteEditor')).AthleteEditor);
export const SessionEditor = lazyScreen(async () => (await import('./session/SessionEditor')).SessionEditor);
export const RollCall = lazyScreen(async () => (await import('./trackside/RollCall')).RollCall);
export const LineBoard = lazyScreen(async () => (await import('./trackside/LineBoard')).LineBoard);
export const ResultView = lazyScreen(async () => (await import('./review/ResultView')).ResultView);
