import { dayView } from '@core/season/dayView';
import { isSeasonOver } from '@core/season/phases';
import { parseStored } from '@core/session/parseSession';
import type { SeasonData } from './useSeasonData';

/** The slow part of drawing today for the first time: the seasons are laid out, then its sessions are read, a line more each time. */
export function* todayInPieces(data: SeasonData): Generator<() => unknown> {
  const { today, paceNames } = data;
  const seasons = data.seasons.filter(({ season }) => !isSeasonOver(season, today));
  for (const laid of seasons) yield () => laid.weeks;
  const sessions: string[][] = [];
  yield () => {
    for (const { shorthand } of dayView(today, { ...data, seasons }).entries)
      if (shorthand !== undefined) sessions.push(shorthand.split('\n'));
  };
  // The lines before are cached.
  for (const lines of sessions)
    for (let i = 1; i <= lines.length; i++) yield () => parseStored(lines.slice(0, i).join('\n'), { paceNames });
}
