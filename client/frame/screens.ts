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

export const SquadPage = lazyScreen(later, (screens) => screens.SquadPage);
export const SessionList = lazyScreen(later, (screens) => screens.SessionList);
export const ResultList = lazyScreen(later, (screens) => screens.ResultList);
export const AthletePage = lazyScreen(later, (screens) => screens.AthletePage);
export const GroupsPage = lazyScreen(later, (screens) => screens.GroupsPage);
export const PaceBookList = lazyScreen(later, (screens) => screens.PaceBookList);
export const PaceBookEditor = lazyScreen(later, (screens) => screens.PaceBookEditor);
export const SessionEditor = lazyScreen(later, (screens) => screens.SessionEditor);
export const LibraryPage = lazyScreen(later, (screens) => screens.LibraryPage);
export const LibrarySessionEditor = lazyScreen(later, (screens) => screens.LibrarySessionEditor);
export const LibraryFiles = lazyScreen(later, (screens) => screens.LibraryFiles);
export const ProgressionList = lazyScreen(later, (screens) => screens.ProgressionList);
export const ProgressionPage = lazyScreen(later, (screens) => screens.ProgressionPage);
export const GuidesPage = lazyScreen(later, (screens) => screens.GuidesPage);
export const FilesPage = lazyScreen(later, (screens) => screens.FilesPage);
export const Unlock = lazyScreen(later, (screens) => screens.Unlock);
export const JoinForm = lazyScreen(later, (screens) => screens.JoinForm);
export const RehearsalPage = lazyScreen(later, (screens) => screens.RehearsalPage);
export const EnterPage = lazyScreen(later, (screens) => screens.EnterPage);
export const TrackHome = lazyScreen(later, (screens) => screens.TrackHome);
export const RollCall = lazyScreen(later, (screens) => screens.RollCall);
export const PlanPage = lazyScreen(later, (screens) => screens.PlanPage);
export const SettingsPage = lazyScreen(later, (screens) => screens.SettingsPage);
export const HelpPage = lazyScreen(later, (screens) => screens.HelpPage);
export const KeysPage = lazyScreen(later, (screens) => screens.KeysPage);
export const VenueList = lazyScreen(later, (screens) => screens.VenueList);
export const VenueEditor = lazyScreen(later, (screens) => screens.VenueEditor);
export const LineBoard = lazyScreen(later, (screens) => screens.LineBoard);
export const ResultPage = lazyScreen(later, (screens) => screens.ResultPage);
export const ResultFiles = lazyScreen(later, (screens) => screens.ResultFiles);
export const SamePage = lazyScreen(later, (screens) => screens.SamePage);
export const DaySheet = lazyScreen(later, (screens) => screens.DaySheet);
export const SeasonBody = lazyScreen(later, (screens) => screens.SeasonBody);
export const SeasonPage = lazyScreen(later, (screens) => screens.SeasonPage);
export const NewSeason = lazyScreen(later, (screens) => screens.NewSeason);
export const RacePage = lazyScreen(later, (screens) => screens.RacePage);
export const NextPage = lazyScreen(later, (screens) => screens.NextPage);
export const SquadReviewPage = lazyScreen(later, (screens) => screens.SquadReviewPage);
export const AthleteStory = lazyScreen(later, (screens) => screens.AthleteStory);
export const AthleteResultPage = lazyScreen(later, (screens) => screens.AthleteResultPage);
