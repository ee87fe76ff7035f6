/** Cautions about a session on its day, for those who run it. Nothing is ever locked. Thresholds are common coaching practice. */
import { INTENT_FACTS, type Intent } from '../session/intent';
import { ageInYear, YOUNG_UNDER, type SquadMember } from '../squad/athlete';
import type { SessionFit } from '../outlook/outlook';
import { heatCaution, type HeatLimits, type Weather } from '../squad/heat';

/** An athlete who runs it, and how it should go for them. `remark` says what their curve rules out. */
export type DayEntrant = { athlete: SquadMember; fit: SessionFit; remark?: string | undefined };
/** A session on the day before or after; `athleteIds` are those who run it. */
export type Neighbour = { title: string; intent: Intent; isBefore: boolean; athleteIds: ReadonlySet<string> };

export type DayCautionSource = {
  intent: Intent;
  /** YYYY-MM-DD */
  date: string;
  entrants: readonly DayEntrant[];
  neighbours: readonly Neighbour[];
  weather?: Weather | undefined;
  heat: HeatLimits;
};

const MOST_NAMES = 5;

function names(who: readonly string[]): string {
  const shown = who.slice(0, MOST_NAMES).join(', ');
  return who.length > MOST_NAMES ? `${shown} and ${who.length - MOST_NAMES} more` : shown;
}

const tile = ({ athlete }: DayEntrant) => athlete.tileName;
const list = (entrants: readonly DayEntrant[], textFor: (who: string) => string): string[] =>
  entrants.length > 0 ? [textFor(names(entrants.map(tile)))] : [];

function tooHard({ entrants }: DayCautionSource): string[] {
  const of = (fit: SessionFit) => entrants.filter((entrant) => entrant.fit === fit);
  return [
    ...list(of('cannot'), (who) => `More than they have: ${who}. Look under Effort for what makes it fit.`),
    ...list(of('stretched'), (who) => `Harder than it is meant to be: ${who}.`),
    ...entrants.flatMap((entrant) =>
      entrant.remark?.includes('flat out') ? [`${tile(entrant)}: ${entrant.remark}`] : [],
    ),
  ];
}

function tender({ entrants, date, intent }: DayCautionSource): string[] {
  if (!INTENT_FACTS[intent].isHard) return [];
  const young = entrants.filter(({ athlete }) => (ageInYear(athlete, date) ?? YOUNG_UNDER) < YOUNG_UNDER);
  const easing = entrants.filter(({ athlete }) => athlete.status === 'easing');
  return [
    ...list(
      young,
      (who) =>
        `Under ${YOUNG_UNDER} in hard work: ${who}. Fewer reps and full recoveries; learning the pace is enough.`,
    ),
    ...list(
      easing,
      (who) => `Easing back, and this is hard: ${who}. Fewer reps at the pace of now, and stop before it gets hard.`,
    ),
  ];
}

function hardDays({ entrants, neighbours, intent }: DayCautionSource): string[] {
  if (!INTENT_FACTS[intent].isHard) return [];
  return neighbours
    .filter((neighbour) => INTENT_FACTS[neighbour.intent].isHard)
    .flatMap(({ title, isBefore, athleteIds }) =>
      list(
        entrants.filter(({ athlete }) => athleteIds.has(athlete.id)),
        (who) => `Two hard days running, with “${title}” the day ${isBefore ? 'before' : 'after'}: ${who}.`,
      ),
    );
}

/** All cautions about a session on its day. */
export function dayCautions(source: DayCautionSource): string[] {
  const { weather, heat, intent } = source;
  const hot = weather && heatCaution(weather, heat, INTENT_FACTS[intent].isHard);
  return [...(hot === undefined ? [] : [hot]), ...tooHard(source), ...tender(source), ...hardDays(source)];
}

/** What is wrong with a session's start time, seen from now (YYYY-MM-DD and HH:MM); undefined if nothing is. */
export function startNote(
  date: string,
  startTime: string | undefined,
  now: { date: string; time: string },
): string | undefined {
  if (date < now.date) return 'That day is past: the plan can still be changed and printed.';
  if (date === now.date && startTime !== undefined && startTime < now.time)
    return `It was to start at ${startTime}: that is past. Set another time if it is still to be run.`;
  return undefined;
}
