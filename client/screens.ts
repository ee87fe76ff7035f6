import { lazyScreen } from './ui/lazyScreen';

// From here, so that whoever starts it has the screens below known to it.
export { startFetchingScreens } from './ui/lazyScreen';

// The lists are in the first load: they are what the coach sees first. What is opened from them follows at once, unasked.
export const AthletePage = lazyScreen(async () => (await import('./squad/AthletePage')).AthletePage);
export const GroupsPage = lazyScreen(async () => (await import('./squad/groups/GroupsPage')).GroupsPage);
export const BookList = lazyScreen(async () => (await import('./squad/books/BookList')).BookList);
export const BookEditor = lazyScreen(async () => (await import('./squad/books/BookEditor')).BookEditor);
export const FilesPage = lazyScreen(async () => (await import('./squad/files/FilesPage')).FilesPage);
// Writing sessions and the book share most of their code: together they are fetched once.
const writing = () => import('./session/screens');
export const SessionEditor = lazyScreen(async () => (await writing()).SessionEditor);
export const BookPage = lazyScreen(async () => (await writing()).BookPage);
export const BookSessionEditor = lazyScreen(async () => (await writing()).BookSessionEditor);
export const BookFiles = lazyScreen(async () => (await writing()).BookFiles);
export const ProgressionList = lazyScreen(async () => (await writing()).ProgressionList);
export const ProgressionPage = lazyScreen(async () => (await writing()).ProgressionPage);
export const GuidesPage = lazyScreen(async () => (await writing()).GuidesPage);
export const RollCall = lazyScreen(async () => (await import('./trackside/RollCall')).RollCall);
export const LineBoard = lazyScreen(async () => (await import('./trackside/LineBoard')).LineBoard);
export const ResultView = lazyScreen(async () => (await import('./review/ResultView')).ResultView);
