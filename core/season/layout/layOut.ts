/**
 * Lays a season out: phases back from the A races, the week's rhythm on every day, days round races, hard days apart, special sessions,
 * threads in turn, long runs that grow, easier weeks. Pure and deterministic.
 */
import { dateOfDay } from '../../units/dayNumber';
import { keepApart } from './apart';
import { draftOf, type Draft, type DraftDay } from './draftDay';
import { layLongRuns } from './longRuns';
import { phasesOf } from '../phases';
import { layRaces, thinRoundRaces } from './raceDays';
import type { SeasonDay, SeasonPlan, SeasonWeek } from '../season';
import { layShares } from './shares';
import { laySpecials } from './specials';
import { layTurns } from './turns';

function intentOf({ season }: Draft, { kind, special, thread }: DraftDay): SeasonDay['intent'] {
  if (special !== undefined) return season.specials[special]?.intent;
  if (thread) return season.threads.find(({ id }) => id === thread.id)?.intent;
  return kind === 'long' ? 'long-run' : undefined;
}

function dayOf(draft: Draft, day: DraftDay): SeasonDay {
  const { fixed } = day;
  const intent = intentOf(draft, day);
  return {
    date: dateOfDay(day.day),
    kind: day.kind,
    ...(intent ? { intent } : {}),
    ...(day.thread ? { thread: day.thread } : {}),
    ...(day.special ? { special: day.special } : {}),
    ...(day.raceId === undefined ? {} : { raceId: day.raceId }),
    ...(day.taper ? { taper: true } : {}),
    ...(day.share === undefined || day.kind !== 'hard' ? {} : { share: day.share }),
    ...(day.amount && day.kind === 'long' ? { amount: day.amount } : {}),
    ...(fixed ? { because: fixed.because } : {}),
    ...(fixed?.because === 'pinned' ? { pinned: true } : {}),
    ...(fixed?.missed ? { missed: fixed.missed } : {}),
    ...(fixed?.sessionId === undefined ? {} : { sessionId: fixed.sessionId }),
    ...(day.note === undefined ? {} : { note: day.note }),
  };
}

/** The weeks of a season, each of seven days from the day weeks begin on; days before the season's first day are free. */
export function layOutSeason(season: SeasonPlan): SeasonWeek[] {
  const { weeks } = phasesOf(season);
  const draft = draftOf(season, weeks);
  layRaces(draft);
  keepApart(draft);
  thinRoundRaces(draft);
  laySpecials(draft);
  layTurns(draft);
  layLongRuns(draft);
  layShares(draft);
  return weeks.map(({ fromDay, phase }, i) => ({
    from: dateOfDay(fromDay),
    phase,
    days: draft.days.slice(i * 7, i * 7 + 7).map((day) => dayOf(draft, day)),
  }));
}
