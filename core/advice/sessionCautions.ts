/**
 * Cautions about one session, each with its reason. Nothing is ever locked. Thresholds are common coaching practice; amounts come from the
 * volume guides.
 */
import type { PaceBook } from '../paces/paceBook';
import { curveBook } from '../paces/shippedPaceBooks';
import {
  ageInYear,
  BASE_KM,
  FEW_WEEKS,
  hasFewWeeks,
  hasRunningBase,
  weeksRunning,
  type Athlete,
} from '../squad/athlete';
import type { TargetLeg } from '../targets/targetsFor';
import { GUESSED_MPS, sessionTotals } from '../targets/totals';
import { longestTrialM } from '../fitness/trialByAge';
import { isFlatOut } from '../session/flatOut';
import { hasGoalPace } from '../session/goalPace';
import { expand, type RepLeg } from '../session/expand';
import { INTENT_FACTS, showsStanding, type Intent } from '../session/intent';
import type { SessionTree } from '../session/session';
import { zoneOf } from './suggestIntent';
import { guideFor, type VolumeGuides } from '../squad/volumeGuides';

/** An athlete who runs it, with their own targets. */
export type Entrant = { athlete: Athlete; legs: readonly TargetLeg[]; shareOfLimit?: number | undefined };

/** What the notes are made from. `date` is the day it is run, YYYY-MM-DD. */
export type CautionSource = {
  session: SessionTree;
  intent: Intent;
  entrants: readonly Entrant[];
  guides: VolumeGuides;
  date: string;
  paceBook?: PaceBook;
};

/** At most this many names in one sentence. */
const MOST_NAMES = 4;
/** Above this share of a flat-out run it is a race, not a session. */
const TOO_MUCH_OF_THE_LIMIT = 1.15;
/** Exceeding a guide by less than this is not mentioned. */
const OVER = 1.1;

const firstName = ({ name }: Athlete) => name.split(' ')[0] ?? name;

function names(who: readonly string[]): string {
  const shown = who.slice(0, MOST_NAMES);
  const more = who.length - shown.length;
  return more > 0 ? `${shown.join(', ')} and ${more} more` : shown.join(', ');
}

function missingEnds({ session, intent }: CautionSource): string[] {
  if (!INTENT_FACTS[intent].isHard) return [];
  const has = (role: string) => session.lines.some((line) => line.role === role);
  return [
    ...(has('warm') ? [] : ['There is no warm-up: fast running on cold legs is how muscles are pulled.']),
    ...(has('cool') ? [] : ['There is no cool-down: some easy running at the end helps the next day.']),
  ];
}

const worksFast = ({ paceMix }: RepLeg, paceBook: PaceBook) => {
  const zone = paceMix && zoneOf(paceMix.to, paceBook);
  return zone === 'race-pace' || zone === 'speed';
};

function fastWork({ session, entrants, date, paceBook = curveBook }: CautionSource): string[] {
  const reps = expand(session).filter((leg) => leg.kind === 'rep');
  const isMain = (leg: RepLeg) => leg.role === 'main' || leg.role === 'finish';
  const first = reps.find(isMain);
  if (!reps.some((leg) => isMain(leg) && worksFast(leg, paceBook))) return [];
  const isReady = reps.some((leg) => leg.role === 'warm' && worksFast(leg, paceBook));
  const few = entrants.map(({ athlete }) => athlete).filter((athlete) => !hasRunningBase(athlete, date));
  const has = (athlete: Athlete) =>
    hasFewWeeks(athlete, date) ? `${weeksRunning(athlete, date) ?? 0} weeks` : `${athlete.weeklyKm ?? 0} km a week`;
  const who = few.map((athlete) => `${firstName(athlete)} (${has(athlete)})`);
  return [
    ...(first && worksFast(first, paceBook) && !isReady
      ? ['It starts with fast reps and the warm-up has no strides: a few get the legs ready.']
      : []),
    ...(few.length > 0
      ? [
          `Fast reps without a running base: ${names(who)}. About ${FEW_WEEKS} weeks of regular running and ${BASE_KM} km a week come first.`,
        ]
      : []),
  ];
}

const amountText = ({ mostS, mostM }: { mostS?: number; mostM?: number }) =>
  mostM === undefined ? `${Math.round((mostS ?? 0) / 60)} min` : `${Math.round(mostM / 100) * 100} m`;

function overTheGuides({ intent, entrants, guides, date }: CautionSource): string[] {
  const over = entrants.flatMap(({ athlete, legs }) => {
    const guide = guideFor(guides, intent, {
      age: ageInYear(athlete, date),
      weeks: weeksRunning(athlete, date),
      leaning: athlete.leaning,
      weeklyKm: athlete.weeklyKm,
    });
    if (!guide) return [];
    const work = sessionTotals(legs).byWork.filter((row) => row.work === 'main' || row.work === 'finish');
    const mostS = work.reduce((sum, { durationS }) => sum + durationS, 0);
    const mostM = work.reduce((sum, { distanceM }) => sum + distanceM, 0);
    const byMetres = guide.mostM !== undefined;
    const times = byMetres ? mostM / (guide.mostM ?? 1) : mostS / (guide.mostS ?? 1);
    if (times < OVER) return [];
    const does = amountText(byMetres ? { mostM } : { mostS });
    return [{ times, text: `${firstName(athlete)} ${does} (guide ${amountText(guide)})` }];
  });
  if (over.length === 0) return [];
  over.sort((a, b) => b.times - a.times);
  const what = INTENT_FACTS[intent].name.toLowerCase();
  return [`Much for ${what}, by age, event, experience and km a week: ${names(over.map(({ text }) => text))}.`];
}

function nearTheLimit({ intent, entrants }: CautionSource): string[] {
  if (showsStanding(intent)) return [];
  const over = entrants.flatMap(({ athlete, shareOfLimit = 0 }) =>
    shareOfLimit > TOO_MUCH_OF_THE_LIMIT ? [`${firstName(athlete)} ${Math.round(shareOfLimit * 100)} %`] : [],
  );
  return over.length === 0
    ? []
    : [
        `More than a race in parts: ${names(over)} of a flat-out run (5 × 1000 m at 5k pace is 100 %). Fewer reps or longer recoveries.`,
      ];
}

/** Names athletes without a goal in a session with goal paces: they run those at today's pace. */
function withoutGoal({ session, entrants }: CautionSource): string[] {
  if (!hasGoalPace(session)) return [];
  const who = entrants.filter(({ athlete }) => !athlete.goal && athlete.marks.length > 0);
  return who.length === 0
    ? []
    : [`No goal time, so their goal pace is that of now: ${names(who.map(({ athlete }) => firstName(athlete)))}.`];
}

function afterABreak({ session, intent }: CautionSource): string[] {
  if (intent !== 'transition') return [];
  const hasGoal = hasGoalPace(session);
  return [
    'After a break: few reps and full recoveries; stop before it gets hard.',
    ...(hasGoal ? ['After a break run at the pace of now, not at goal pace.'] : []),
  ];
}

function allOut({ intent }: CautionSource): string[] {
  return intent === 'test' || intent === 'rehearsal'
    ? ['Flat-out running: whoever has pain, feels dizzy or ill does not start, or stops.']
    : [];
}

/** Flat-out running longer than is usual at somebody's age. */
function longForTheYoung({ session, entrants, date }: CautionSource): string[] {
  const trials = expand(session).filter((leg) => leg.kind === 'rep' && isFlatOut(leg));
  const longestM = Math.max(0, ...trials.map(({ distanceM, durationS = 0 }) => distanceM ?? durationS * GUESSED_MPS));
  const most = (athlete: Athlete) => longestTrialM(ageInYear(athlete, date));
  const young = entrants.map(({ athlete }) => athlete).filter((athlete) => longestM > most(athlete));
  if (young.length === 0) return [];
  const who = young.map((athlete) => `${firstName(athlete)} (${most(athlete)} m at most)`);
  return [
    `Long to run flat out at their age: ${names(who)}. A shorter trial, or an even run at a pace they know; local rules come first.`,
  ];
}

/** All cautions about a session before it is run. */
export function sessionCautions(source: CautionSource): string[] {
  return [
    ...missingEnds(source),
    ...fastWork(source),
    ...overTheGuides(source),
    ...nearTheLimit(source),
    ...withoutGoal(source),
    ...afterABreak(source),
    ...allOut(source),
    ...longForTheYoung(source),
  ];
}
