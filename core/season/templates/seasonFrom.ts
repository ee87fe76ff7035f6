import { longRunFor } from '../longestRun';
import type { Rhythm, RhythmDay, SeasonPlan, SeasonRace } from '../season';
import type { SeasonTemplate } from './templates';
import { shippedThreads } from '../threads/threads';

/** The three answers: when the races are, how many hard days, and for whom. */
export type SeasonAnswers = {
  name?: string;
  firstDay: string;
  races: (Pick<SeasonRace, 'date' | 'name' | 'weight'> & Partial<SeasonRace>)[];
  /** Hard days a week, 1 to 3; as the template has them where left out. */
  hardDays?: number;
  /** Ids of training groups; everyone where left out. */
  groups?: readonly string[];
  weekStart?: 'monday' | 'sunday';
  /** The slowest's easy running, minutes a kilometre: the long run is no longer than is good for them. */
  slowestMinPerKm?: number;
};

/** Three hard days stand apart only where the long run follows the last of them. */
const THREE: Rhythm = ['easy', 'hard', 'strides', 'hard', 'off', 'hard', 'long'];

const MOST_BESIDE_HARD_LONG = 2;

const hardIn = (rhythm: Rhythm) => rhythm.filter((kind) => kind === 'hard').length;

/** A week with so many hard days: the last ones go first; a third one takes a week of its own kind. */
export function rhythmWith(rhythm: Rhythm, hardDays: number): Rhythm {
  if (hardDays >= 3 && hardIn(rhythm) < 3) return THREE;
  let left = hardDays;
  return rhythm.map((kind): RhythmDay => {
    if (kind !== 'hard') return kind;
    left -= 1;
    return left >= 0 ? 'hard' : 'easy';
  }) as unknown as Rhythm;
}

/**
 * A season by a template: a copy of all that is in it, to be changed at will.
 * @param answers may name no race: a season without one begins on its first day and goes on through its phases.
 */
export function seasonFrom(template: SeasonTemplate, answers: SeasonAnswers): SeasonPlan {
  const { firstDay, races, hardDays, groups, weekStart, slowestMinPerKm, name = template.name } = answers;
  // A long run that is a hard day itself leaves room for two more.
  const most = template.schools.isLongHard ? MOST_BESIDE_HARD_LONG : 3;
  const hardest = hardDays === undefined ? undefined : Math.min(hardDays, most);
  const rhythm = hardest === undefined ? template.rhythm : rhythmWith(template.rhythm, hardest);
  const isThree = hardest !== undefined && hardest >= 3 && hardIn(template.rhythm) < 3;
  const { indicatorDays, trialWeek, longRun, spareIds } = template;
  return {
    name,
    firstDay,
    ...(groups && groups.length > 0 ? { groupIds: [...groups] } : {}),
    ...(weekStart === undefined ? {} : { weekStart }),
    races: races.map((race, i) => ({ ...race, id: race.id ?? `race-${i + 1}` })),
    phases: template.phases.map((phase) => ({ ...phase })),
    rhythm,
    cycles: template.cycles,
    ...(spareIds ? { spareIds } : {}),
    threads: shippedThreads(template.threadIds),
    ...(longRun ? { longRun: slowestMinPerKm === undefined ? longRun : longRunFor(longRun, slowestMinPerKm) } : {}),
    specials: template.specials,
    ...(indicatorDays ? { indicatorDays } : {}),
    ...(trialWeek === undefined ? {} : { trialWeek }),
    taperDays: template.taperDays,
    schools: { ...template.schools, ...(isThree ? { isLongAfterHard: true as const } : {}) },
    daysOff: [],
    exceptions: [],
    fixed: [],
    decisions: [],
  };
}

/** A season with nothing in it but easy days, for a coach who lays everything out by hand. */
export const emptySeason = (answers: SeasonAnswers, weeks: number): SeasonPlan => ({
  name: answers.name ?? 'Season',
  firstDay: answers.firstDay,
  ...(answers.groups && answers.groups.length > 0 ? { groupIds: [...answers.groups] } : {}),
  ...(answers.weekStart === undefined ? {} : { weekStart: answers.weekStart }),
  races: answers.races.map((race, i) => ({ ...race, id: race.id ?? `race-${i + 1}` })),
  phases: [{ phase: 'early', weeks, least: 1, most: 104 }],
  rhythm: ['free', 'free', 'free', 'free', 'free', 'free', 'free'],
  cycles: {},
  threads: [],
  specials: {},
  taperDays: 7,
  schools: {},
  daysOff: [],
  exceptions: [],
  fixed: [],
  decisions: [],
});
