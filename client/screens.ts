import { lazyScreen } from './ui/lazyScreen';

// From here, so that whoever starts it has the screens below known to it.
export { startFetchingScreens } from './ui/lazyScreen';

// The lists are in the first load: they are what the coach sees first. What is opened from them follows at once, unasked.
export const AthletePage = lazyScreen(async () => (await import('./squad/AthletePage')).AthletePage);
export const GroupsPage = lazyScreen(async () => (await import('./squad/groups/GroupsPage')).GroupsPage);
export const BookList = lazyScreen(async () => (await import('./squad/books/BookList')).BookList);
export const BookEditor = lazyScreen(async () => (await import('./squad/books/BookEditor')).BookEditor);
export const FilesPage = lazyScreen(async () => (await import('./squad/files/FilesPage')).FilesPage);
export const SessionEditor = lazyScreen(async () => (await import('./session/SessionEditor')).SessionEditor);
export const RollCall = lazyScreen(async () => (await import('./trackside/RollCall')).RollCall);
export const LineBoard = lazyScreen(async () => (await import('./trackside/LineBoard')).LineBoard);
export const ResultView = lazyScreen(async () => (await import('./review/ResultView')).ResultView);
