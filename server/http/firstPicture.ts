import type { Access } from '@core/api/answers';
import { withStarters } from '@core/library/starters';
import { dayView } from '@core/season/dayView';
import { layOutSeason } from '@core/season/layout/layOut';
import { isSeasonOver } from '@core/season/phases';
import { zonedOrHere } from '@core/units/zoned';
import { bringUpToDate } from '../db/behind';
import { readLibrary } from '../db/library';
import { runsOn } from '../db/runs';
import { listSeasons } from '../db/seasons';
import { sessionsOn } from '../db/sessions';
import { readSquad } from '../db/squad';
import type { Context } from './context';

const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const attribute = (text: string) => text.replace(/[&<>"]/g, (letter) => ESCAPES[letter] ?? letter);

/** A line of text in an attribute, like the words of the frame: CSS shows it, and it is neither read out nor found twice. */
const line = (name: string, text: string | undefined) =>
  text === undefined ? '' : `<div class="today-${name}" data-text="${attribute(text)}"></div>`;

/** What is on today, as HTML that is painted before any script of the app is here; empty where nothing is. */
function todayHtml({ db, nowMs }: Context): string {
  const today = zonedOrHere(nowMs(), readSquad(db).club?.timeZone).date;
  bringUpToDate(db);
  const stored = listSeasons(db).filter(({ season }) => !isSeasonOver(season, today));
  const seasons = stored.map((season) => ({ ...season, weeks: layOutSeason(season.season) }));
  const days = { from: today, to: today };
  const { sessions, progressions } = readLibrary(db);
  const { entries } = dayView(today, {
    seasons,
    sessions: sessionsOn(db, days),
    runs: runsOn(db, days),
    athletes: [],
    library: { sessions: withStarters(sessions), progressions },
  });
  if (entries.length === 0) return '';
  const cards = entries.map(
    ({ title, detail, session }) => line('title', title) + line('time', session?.startTime) + line('detail', detail),
  );
  // Where there are several seasons, the choice between them stands above.
  const place = seasons.length > 1 ? ' today-below' : '';
  return `<div id="today" class="today${place}" aria-hidden="true"><div class="today-card">${line('label', 'Today')}${cards.join('')}</div></div>`;
}

/** The page of the app, with who asks for it and, for the coach, what is on today written into it. */
export const withFirstPicture = (page: string, context: Context, who: Access['who']): string =>
  page
    .replace('<html', `<html data-who="${who}"`)
    // Not as a plain text, in which a title's $ would mean something.
    .replace('<div id="root"', (root) => (who === 'coach' ? todayHtml(context) : '') + root);
