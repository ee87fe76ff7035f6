import { checkSeason } from '@core/season/checks/checks';
import { layOutSeason } from '@core/season/layout/layOut';
import { seasonFrom } from '@core/season/templates/seasonFrom';
import { seasonTemplates } from '@core/season/templates/templates';
import { daysAfter } from '@core/units/dayNumber';
import { report, timed } from './measure';

const FIRST_DAY = '2026-01-05';
const WEEKS = 52;
const GROUPS = seasonTemplates.filter(({ hasRace }) => hasRace).slice(0, 3);

const SEASONS = GROUPS.map((template) =>
  seasonFrom(template, {
    firstDay: FIRST_DAY,
    races: [
      { date: daysAfter(FIRST_DAY, 167), name: 'First', weight: 'A' },
      { date: daysAfter(FIRST_DAY, 230), name: 'Between', weight: 'B' },
      { date: daysAfter(FIRST_DAY, WEEKS * 7 - 1), name: 'Last', weight: 'A' },
    ],
  }),
);

/** The same days with nothing decided about them. */
const bareDays = () =>
  SEASONS.map(() =>
    Array.from({ length: WEEKS }, (_, week) => ({
      from: daysAfter(FIRST_DAY, week * 7),
      days: Array.from({ length: 7 }, (__, day) => ({ date: daysAfter(FIRST_DAY, week * 7 + day), kind: 'easy' })),
    })),
  );

/** A year of three groups laid out and checked. */
export async function layOut(): Promise<void> {
  const laid = await timed(50, () => SEASONS.map((season) => checkSeason(season, layOutSeason(season))));
  const bare = await timed(50, bareDays);
  report(`${WEEKS} weeks × ${SEASONS.length} groups laid out and checked`, laid, {
    limitMs: 30,
    against: ['the same days built bare', bare],
  });
}
