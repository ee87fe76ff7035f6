/** Sessions on a day that are in no season, and what the season has there. */
import type { CheckRule, SeasonCheck } from './checkRule';

const besideOwn: CheckRule = ({ days, placeOf, context }) =>
  (context.ownSessions ?? []).flatMap(({ id, date, title, isHard }): SeasonCheck[] => {
    const place = placeOf(date);
    const day = days[place];
    if (!day) return [];
    const change = { kind: 'adopt' as const, date, sessionId: id };
    const mend = { mend: { text: `Make “${title}” the hard day`, change } };
    if (day.kind === 'race')
      return [{ code: 'session-on-race-day', date, text: `“${title}” is written for the day of a race.` }];
    if (day.kind === 'off')
      return [{ code: 'session-on-day-off', date, text: `“${title}” is written for a day off.`, ...mend }];
    if (day.kind === 'hard') {
      // One that is written for this day of the season as well is a second one.
      const isSettled = day.sessionId !== undefined;
      return isHard
        ? [
            {
              code: 'two-sessions',
              date,
              text: `“${title}” is written beside the season’s own hard session of that day.`,
              ...(isSettled ? {} : { mend: { text: `Run “${title}” in its place`, change } }),
            },
          ]
        : [];
    }
    const beside = isHard && [days[place - 1], days[place + 1]].find((day) => day?.kind === 'hard');
    return beside
      ? [
          {
            code: 'session-beside-hard-day',
            date,
            text: `“${title}” is hard, and ${beside.date < date ? 'the day before' : 'the day after'} is a hard day of the season.`,
          },
        ]
      : [];
  });

export const OWN_SESSION_CHECKS: readonly CheckRule[] = [besideOwn];
