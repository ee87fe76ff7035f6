/** The two seasons of the demo, in their ninth week: a B race run, an A race ahead, holidays, somebody away, one thread held back. */
import { layOutSeason } from '@core/season/layout/layOut';
import { isToRun, usualAmount } from '@core/season/load';
import { weekStartOf } from '@core/season/phases';
import {
  daysOf,
  type DayDone,
  type FixedDay,
  type RaceEntry,
  type SeasonPlan,
  type SeasonRace,
} from '@core/season/season';
import { seasonFrom } from '@core/season/templates/seasonFrom';
import { seasonTemplates } from '@core/season/templates/templates';
import type { SquadMember } from '@core/squad/athlete';
import { dateOfDay, dayNumber, daysAfter } from '@core/units/dayNumber';

const WEEKS_BEHIND = 8;

/** A session of the club on its date, as it was stored. */
export type Dated = { id: string; title: string; date: string };

type Source = {
  today: string;
  sessions: readonly Dated[];
  members: readonly SquadMember[];
  groupIdOf: (name: string) => string;
  progressionId: string;
};

/** Those who have a mark of that race, and those who have it as their goal. */
function entriesFor(date: string, members: readonly SquadMember[]): RaceEntry[] {
  return members.flatMap(({ id, marks, goal }): RaceEntry[] => {
    const ran = marks.find((mark) => mark.date === date && mark.kind === 'race');
    if (ran) return [{ athleteId: id, distanceM: ran.distanceM }];
    return goal?.date === date ? [{ athleteId: id, distanceM: goal.distanceM, goalS: goal.timeS }] : [];
  });
}

/** Past days as they were: hard only where the club ran a session. */
function settled(
  season: SeasonPlan,
  { today, sessions }: Source,
  threadOf: (title: string) => Partial<FixedDay>,
): FixedDay[] {
  const on = new Map(sessions.map((session) => [session.date, session]));
  const isHard = (date: string) => on.has(date);
  const days = daysOf(layOutSeason(season));
  return days.flatMap(({ date, kind }): FixedDay[] => {
    const session = on.get(date);
    if (date < season.firstDay || kind === 'race') return [];
    if (session)
      return [
        {
          date,
          kind: 'hard',
          because: date < today ? 'past' : 'written',
          sessionId: session.id,
          ...threadOf(session.title),
        },
      ];
    if (date >= today) return [];
    const isBeside = isHard(daysAfter(date, -1)) || isHard(daysAfter(date, 1));
    const was = kind === 'hard' || (kind === 'long' && isBeside) ? 'easy' : kind;
    return [{ date, kind: was, because: 'past' }];
  });
}

/** One day in this many is run by few, and not ticked. */
const UNTICKED = 6;

/** Days without a session that most of them ran, as the coach has ticked them; yesterday's are still to be. */
function ticked(season: SeasonPlan, today: string): SeasonPlan {
  const done = daysOf(layOutSeason(season)).flatMap((day): DayDone[] => {
    const { date, kind } = day;
    if (
      !isToRun(day) ||
      kind === 'hard' ||
      date < season.firstDay ||
      date >= daysAfter(today, -1) ||
      dayNumber(date) % UNTICKED === 0
    )
      return [];
    return [{ date, amount: usualAmount(day) }];
  });
  return { ...season, done };
}

/** The club came from a winter of running: two weeks of base were enough. */
const shortBase = ({ phases }: SeasonPlan) =>
  phases.map((phase) =>
    phase.phase === 'base' ? { ...phase, weeks: 2, most: 2 } : { ...phase, most: phase.most + 4 },
  );

const KILOMETRES = 'Threshold kilometres';
const THREAD = 'kilometres';

/** The steps of the progression are numbered in their titles. */
const stepOf = (title: string) => (title === KILOMETRES ? 0 : Number(title.replace(`${KILOMETRES}, `, '')) - 1);

function fiveAndTen(source: Source, firstDay: string): SeasonPlan {
  const { today, members, groupIdOf, progressionId } = source;
  const template = seasonTemplates.find(({ id }) => id === '5k-12');
  if (!template) throw new Error('The demo’s template is gone.');
  const ownAthletes = members.filter(({ groupId }) => groupId === groupIdOf('Five and ten'));
  const race = (inDays: number, more: Omit<SeasonRace, 'date' | 'entries'>): SeasonRace => {
    const date = daysAfter(today, inDays);
    return { ...more, date, entries: entriesFor(date, ownAthletes) };
  };
  const season = seasonFrom(template, {
    name: 'Five and ten, to the harbour',
    firstDay,
    groups: [groupIdOf('Five and ten')],
    races: [
      race(-24, { id: 'riverside', name: 'Riverside open', weight: 'B', place: 'Riverside track' }),
      race(47, { id: 'harbour', name: 'Harbour meeting', weight: 'A', place: 'Harbour track', startTime: '15:20' }),
    ],
  });
  const withThread: SeasonPlan = {
    ...season,
    threads: [
      ...season.threads,
      {
        id: THREAD,
        name: 'Kilometres, one more each time',
        intent: 'threshold',
        stages: [],
        chain: [{ lever: 'more' }],
        spacingDays: 18,
        progressionId,
      },
    ],
    phases: shortBase(season),
    cycles: {
      ...season.cycles,
      early: [[THREAD, 'falling'], ...(season.cycles.early?.slice(1) ?? [])],
      middle: [
        ['two-pace', 'falling'],
        ['gears', THREAD],
      ],
    },
    daysOff: [{ id: 'half-term', from: daysAfter(today, 22), to: daysAfter(today, 24), reason: 'half-term' }],
    exceptions: ownAthletes
      .filter(({ name }) => name === 'Gus Petherlow')
      .map(({ id }) => ({
        id: 'gus-away',
        athleteId: id,
        kind: 'away' as const,
        from: daysAfter(today, 1),
        to: daysAfter(today, 2),
      })),
    rehearsed: { shoes: 'the flats of the Riverside open', drink: 'a few sips of water until the strides' },
    // What the review said after the third step: the same again.
    decisions: [{ threadId: THREAD, date: daysAfter(today, -22), step: 'repeat' }],
  };
  const threadOf = (title: string) => (title.startsWith(KILOMETRES) ? { threadId: THREAD, step: stepOf(title) } : {});
  return ticked({ ...withThread, fixed: settled(withThread, source, threadOf) }, today);
}

function milers(source: Source, firstDay: string): SeasonPlan {
  const { today, members, groupIdOf } = source;
  const template = seasonTemplates.find(({ id }) => id === '1500-12-stamina');
  if (!template) throw new Error('The demo’s template is gone.');
  const groups = [groupIdOf('Milers'), groupIdOf('Young ones')];
  const ownAthletes = members.filter(({ groupId }) => groupId !== undefined && groups.includes(groupId));
  const race = (inDays: number, more: Omit<SeasonRace, 'date' | 'entries'>): SeasonRace => {
    const date = daysAfter(today, inDays);
    return { ...more, date, entries: entriesFor(date, ownAthletes) };
  };
  const season = seasonFrom(template, {
    name: 'Milers, to the county final',
    firstDay,
    groups,
    races: [
      race(-17, { id: 'track-night', name: 'Track night', weight: 'B', place: 'Our track' }),
      race(40, { id: 'county', name: 'County final', weight: 'A', place: 'County track', startTime: '14:05' }),
    ],
  });
  const plan = { ...season, phases: shortBase(season) };
  return ticked({ ...plan, fixed: settled(plan, source, () => ({})) }, today);
}

/** Both seasons, the one whose race comes later first. */
export function clubSeasons(source: Source): SeasonPlan[] {
  const monday = weekStartOf(dayNumber(source.today), {});
  const firstDay = dateOfDay(monday - 7 * WEEKS_BEHIND);
  return [fiveAndTen(source, firstDay), milers(source, firstDay)];
}
