import { lazyScreen } from '../ui/lazyScreen';

// Exported here, so that the screens below are registered for whoever starts it.
export { startFetchingScreens } from '../ui/lazyScreen';

// This week is in the first load: it is what the coach sees first. All other screens follow at once, unasked.
const later = () => import('./laterScreens');

/** Sends what this phone has recorded and not sent, now and whenever the network returns. @returns what stops it. */
export function startSending(): () => void {
  let stop: (() => void) | undefined;
  let isOver = false;
  void later().then(
    (screens) => {
      if (!isOver) stop = screens.startSending();
    },
    // Without its code nothing could have been timed here either.
    () => undefined,
  );
  return () => {
    isOver = true;
    stop?.();
  };
}

export const SquadPage = lazyScreen(async () => (await later()).SquadPage);
export const SessionList = lazyScreen(async () => (await later()).SessionList);
export const ResultList = lazyScreen(async () => (await later()).ResultList);
export const AthletePage = lazyScreen(async () => (await later()).AthletePage);
export const GroupsPage = lazyScreen(async () => (await later()).GroupsPage);
export const PaceBookList = lazyScreen(async () => (await later()).PaceBookList);
export const PaceBookEditor = lazyScreen(async () => (await later()).PaceBookEditor);
export const SessionEditor = lazyScreen(async () => (await later()).SessionEditor);
export const LibraryPage = lazyScreen(async () => (await later()).LibraryPage);
export const LibrarySessionEditor = lazyScreen(async () => (await later()).LibrarySessionEditor);
export const LibraryFiles = lazyScreen(async () => (await later()).LibraryFiles);
export const ProgressionList = lazyScreen(async () => (await later()).ProgressionList);
export const ProgressionPage = lazyScreen(async () => (await later()).ProgressionPage);
export const GuidesPage = lazyScreen(async () => (await later()).GuidesPage);
export const FilesPage = lazyScreen(async () => (await later()).FilesPage);
export const JoinForm = lazyScreen(async () => (await later()).JoinForm);
export const RehearsalPage = lazyScreen(async () => (await later()).RehearsalPage);
export const EnterPage = lazyScreen(async () => (await later()).EnterPage);
export const TrackHome = lazyScreen(async () => (await later()).TrackHome);
export const RollCall = lazyScreen(async () => (await later()).RollCall);
export const PlanPage = lazyScreen(async () => (await later()).PlanPage);
export const SettingsPage = lazyScreen(async () => (await later()).SettingsPage);
export const HelpPage = lazyScreen(async () => (await later()).HelpPage);
export const KeysPage = lazyScreen(async () => (await later()).KeysPage);
export const VenueList = lazyScreen(async () => (await later()).VenueList);
export const VenueEditor = lazyScreen(async () => (await later()).VenueEditor);
export const LineBoard = lazyScreen(async () => (await later()).LineBoard);
export const ResultPage = lazyScreen(async () => (await later()).ResultPage);
export const ResultFiles = lazyScreen(async () => (await later()).ResultFiles);
export const SamePage = lazyScreen(async () => (await later()).SamePage);
export const DaySheet = lazyScreen(async () => (await later()).DaySheet);
export const SeasonBody = lazyScreen(async () => (await later()).SeasonBody);
export const SeasonPage = lazyScreen(async () => (await later()).SeasonPage);
export const NewSeason = lazyScreen(async () => (await later()).NewSeason);
export const RacePage = lazyScreen(async () => (await later()).RacePage);
export const NextPage = lazyScreen(async () => (await later()).NextPage);
export const SquadReviewPage = lazyScreen(async () => (await later()).SquadReviewPage);
export const AthleteStory = lazyScreen(async () => (await later()).AthleteStory);
export const AthleteResultPage = lazyScreen(async () => (await later()).AthleteResultPage);
