import type { LibraryChange, LibrarySession } from '@core/library/librarySession';
import { proposeSteps } from '@core/library/progression';
import { STARTERS } from '@core/library/starters';
import { formatSession } from '@core/session/formatSession';
import { parseStored } from '@core/session/parseSession';
import { SEASON, type ClubSession } from './season';

const FAVOURITES = ['Even 400s, quick finish', 'Threshold kilometres', 'Sharp 200s'];
const PROGRESSION = 'Threshold kilometres';

export const PROGRESSION_NAME = 'Kilometres, one more each time';

/** Three stages at goal pace, by readiness and not by date; when they are done they start again, faster. */
const STAGES = ['6x300 @goal 5k / 75s walk', '5x600 @goal 5k / 75s walk', '5x900 @goal 5k / 75s walk'];

/** A ladder of stages that the club has not begun yet. */
export function stageLadder(newId: () => string): LibraryChange {
  const sessions = STAGES.map((main, i): LibrarySession => ({
    id: newId(),
    title: `Stage ${i + 1} at goal pace`,
    shorthand: `warm: 1600 @easy, 4x100 @strides / 60s walk\nmain: ${main}\ncool: 1200 @easy`,
    intent: 'race-pace',
    purpose: 'Goal pace in longer and longer pieces.',
    tags: ['club'],
  }));
  const stepIds = sessions.map(({ id }) => id);
  return {
    sessions,
    progressions: [{ id: newId(), name: 'Stages at goal pace', lever: 'longer', stepIds, round: 3, everyDays: 14 }],
  };
}

/** Each title once; further steps of the progression are made of its first. */
const asEntries = (season: readonly ClubSession[], newId: () => string) => {
  const ownSessions = season.filter(
    ({ title }, i) =>
      !title.startsWith(`${PROGRESSION}, `) && season.findIndex((session) => session.title === title) === i,
  );
  return ownSessions.map(({ title, shorthand, intent }): LibrarySession => {
    const starter = STARTERS.find((session) => session.title === title);
    const kept = starter ?? { id: newId(), tags: ['club'] };
    return {
      ...kept,
      title,
      shorthand,
      ...(intent ? { intent } : {}),
      ...(FAVOURITES.includes(title) ? { favourite: true } : {}),
    };
  });
};

/** Sessions run beside the season. */
export const sessionsBeside = (newId: () => string): LibraryChange => ({
  sessions: asEntries(
    SEASON.filter(({ isExtra }) => isExtra),
    newId,
  ),
});

/** The club's library: what it has run, some of it from the starter sessions and bent to its own taste, and one progression. */
export function clubLibrary(newId: () => string): LibraryChange {
  const sessions = asEntries(
    SEASON.filter(({ isExtra }) => !isExtra),
    newId,
  );
  const first = sessions.find(({ title }) => title === PROGRESSION);
  const parsed = parseStored(first?.shorthand ?? '');
  if (!first || !parsed.ok) throw new Error('The demo has no session to make a progression of.');
  const [, ...steps] = proposeSteps(parsed.session, 'more', 3);
  const further = steps.map((step, i): LibrarySession => {
    const { favourite: _favourite, ...rest } = first;
    return { ...rest, id: newId(), title: `${PROGRESSION}, ${i + 2}`, shorthand: formatSession(step) };
  });
  const stepIds = [first, ...further].map(({ id }) => id);
  return {
    sessions: [...sessions, ...further],
    progressions: [{ id: newId(), name: PROGRESSION_NAME, lever: 'more', stepIds }],
  };
}
