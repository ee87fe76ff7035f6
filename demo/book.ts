import type { BookChange, BookSession } from '@core/book/bookSession';
import { proposeSteps } from '@core/book/progression';
import { STARTERS } from '@core/book/starters';
import { formatSession } from '@core/session/formatSession';
import { parseStored } from '@core/session/parseSession';
import { SEASON } from './season';

const FAVOURITES = ['Even 400s, quick finish', 'Threshold kilometres', 'Sharp 200s'];
const PROGRESSION = 'Threshold kilometres';

/** The club's book: what it has run, some of it from the starter sessions and bent to its own taste, and one progression. */
export function clubBook(newId: () => string): BookChange {
  // Each once; the further steps of the progression are put in below.
  const own = SEASON.filter(
    ({ title }, i) => !title.startsWith(`${PROGRESSION}, `) && SEASON.findIndex((one) => one.title === title) === i,
  );
  const sessions = own.map(({ title, shorthand, intent }): BookSession => {
    const starter = STARTERS.find((one) => one.title === title);
    const kept = starter ?? { id: newId(), tags: ['club'] };
    return {
      ...kept,
      title,
      shorthand,
      ...(intent ? { intent } : {}),
      ...(FAVOURITES.includes(title) ? { favourite: true } : {}),
    };
  });
  const first = sessions.find(({ title }) => title === PROGRESSION);
  const parsed = parseStored(first?.shorthand ?? '');
  if (!first || !parsed.ok) throw new Error('The demo has no session to make a progression of.');
  const [, ...steps] = proposeSteps(parsed.session, 'more', 3);
  const further = steps.map((step, i): BookSession => {
    const { favourite: _favourite, ...rest } = first;
    return { ...rest, id: newId(), title: `${PROGRESSION}, ${i + 2}`, shorthand: formatSession(step) };
  });
  const stepIds = [first, ...further].map(({ id }) => id);
  return {
    sessions: [...sessions, ...further],
    progressions: [{ id: newId(), name: 'Kilometres, one more each time', lever: 'more', stepIds }],
  };
}
