import { lazyScreen } from './ui/lazyScreen';

// From here, so that whoever starts it has the screens below known to it.
export { startFetchingScreens } from './ui/lazyScreen';

// The lists are in the first load: they are what the coach sees first. What is opened from them follows at once, unasked.
const planning = () => import('./planningScreens');
export const AthletePage = lazyScreen(async () => (await planning()).AthletePage);
export const GroupsPage = lazyScreen(async () => (await planning()).GroupsPage);
export const BookList = lazyScreen(async () => (await planning()).BookList);
export const BookEditor = lazyScreen(async () => (await planning()).BookEditor);
export const SessionEditor = lazyScreen(async () => (await planning()).SessionEditor);
export const BookPage = lazyScreen(async () => (await planning()).BookPage);
export const BookSessionEditor = lazyScreen(async () => (await planning()).BookSessionEditor);
export const BookFiles = lazyScreen(async () => (await planning()).BookFiles);
export const ProgressionList = lazyScreen(async () => (await planning()).ProgressionList);
export const ProgressionPage = lazyScreen(async () => (await planning()).ProgressionPage);
export const GuidesPage = lazyScreen(async () => (await planning()).GuidesPage);
export const FilesPage = lazyScreen(async () => (await import('./lists')).FilesPage);
export const RollCall = lazyScreen(async () => (await planning()).RollCall);
export const PlanPage = lazyScreen(async () => (await planning()).PlanPage);
export const VenueList = lazyScreen(async () => (await planning()).VenueList);
export const VenueEditor = lazyScreen(async () => (await planning()).VenueEditor);
export const LineBoard = lazyScreen(async () => (await import('./trackside/LineBoard')).LineBoard);
export const ResultView = lazyScreen(async () => (await import('./review/ResultView')).ResultView);
