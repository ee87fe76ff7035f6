/** What stands on the sheets: columns for the reps, cut to what a page takes, and athletes' cards. */
import { formatItem } from '@core/session/formatSession';
import type { Role } from '@core/session/session';
import { format } from 'date-fns/format';
import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';
import { cardLines, formatRounded, type Card, type CardLine } from '@core/planning/card';
import type { AthletePlan } from '@core/planning/athletePlans';
import { isTimedRep, type TargetLeg } from '@core/targets/targetsFor';
import { legLabel } from '@core/track/lapSheet';
import type { Planning } from '../../data/usePlanning';

/** So many reps have room beside the name. */
export const REPS_A_PAGE = { portrait: 9, landscape: 14 };
export const CARDS_A_PAGE = 8;

/** `Tue 24 November 2026, 17:45, 400 m track` */
export function whenText({ session: { date, startTime }, venue }: Pick<Planning, 'session' | 'venue'>): string {
  const day = parseISO(date);
  return [isValid(day) ? format(day, 'EEE d MMMM yyyy') : '', startTime ?? '', venue.name].filter(Boolean).join(', ');
}

export type RepLeg = { leg: TargetLeg; label: string };

/** The reps that are timed. */
export const timedReps = (legs: readonly TargetLeg[]): RepLeg[] =>
  legs.flatMap((leg) => (isTimedRep(leg) ? [{ leg, label: legLabel(leg) }] : []));

/** Reps on end in which everybody's target stays the same: it is printed once, before their boxes. */
export type Block = { from: number; times: number; label: string; pace: string | undefined };

/** The target of a rep; undefined where it is run by effort or by the clock. */
const targetOf = (rep: RepLeg | undefined): number | undefined =>
  rep?.leg.distanceM === undefined ? undefined : rep.leg.targetS;

/** The reps of those who run the same ones, in blocks of one target each. @param from where the first is, where there are more tables than one */
export function blocksOf(plans: readonly AthletePlan[], reps: readonly RepLeg[], from = 0): Block[] {
  const blocks: Block[] = [];
  const own = plans.map(({ legs }) => timedReps(legs).map((rep) => targetOf(rep)?.toFixed(2)));
  reps.forEach(({ leg, label }, at) => {
    const i = from + at;
    const before = blocks.at(-1);
    const isSame =
      before?.label === label && before.pace === leg.pace && own.every((targets) => targets[i] === targets[i - 1]);
    if (before && isSame) before.times++;
    else blocks.push({ from: i, times: 1, label, pace: leg.pace });
  });
  return blocks;
}

/** An athlete's target for a block, to the coach's rounding; nothing where they run by effort. */
export function blockTarget({ legs }: AthletePlan, { from }: Block, rounding: number): string {
  const targetS = targetOf(timedReps(legs)[from]);
  return targetS === undefined ? '' : formatRounded(targetS, rounding);
}

/** A list in parts of at most so many, as even as can be. */
export function inParts<T>(list: readonly T[], most: number): T[][] {
  const parts = Math.max(1, Math.ceil(list.length / most));
  const each = Math.ceil(list.length / parts);
  return Array.from({ length: parts }, (_, i) => list.slice(i * each, (i + 1) * each));
}

/** One athlete's card. @param everyM times at marks so far apart. */
export function cardFor(planning: Planning, athletePlan: AthletePlan, everyM: number): Card {
  const { session, venue, groups } = planning;
  const group = groups.find(({ id }) => id === athletePlan.groupId);
  const gap = group?.startGapS ? `, start ${group.startGapS} s after the first` : '';
  const part = (name: 'warmUp' | 'coolDown', role: Role) => {
    const items = athletePlan.session.lines.flatMap((line) => (line.role === role ? line.items : []));
    return items.length === 0 ? {} : { [name]: items.map(formatItem).join(', ') };
  };
  const lane = (group?.lane ?? 1) > 1 ? `, lane ${group?.lane}` : '';
  return {
    title: session.title,
    when: whenText(planning),
    who: `${athletePlan.runner.name} (${group?.name ?? ''}${lane}${gap})`,
    lines: cardLines(athletePlan.legs, venue, everyM),
    ...part('warmUp', 'warm'),
    ...part('coolDown', 'cool'),
  };
}

/** How many reps a card has boxes for. */
export const boxesOf = (lines: readonly CardLine[]): number => lines.reduce((sum, { times }) => sum + times, 0);
