/** What the board says about the next step and where the groups are. */
import { countOf, nextSlot } from '@core/run/lineUp';
import { repLabel } from '@core/run/plan';
import { membersOf, peopledGroups, type GroupState, type RunState } from '@core/run/runState';
import { dueStarts } from '@core/run/starts';
import { formatClock } from '@core/units/time';
import { isOnTheWay, type StartFacts } from './steps';

/** Returns the time until the next start: `1:21 to go`. On its own line, since beside the rep it would read as a target. */
export const toGoText = ({ leftS }: StartFacts): string | undefined =>
  leftS !== undefined && leftS > 0 ? `${formatClock(leftS)} to go` : undefined;

/** The next start on its button: `Start rep 2`, `Next Milers: 400 @5k`. */
export function startText({ rep, repNumber, who, isFirst, isStillOut, chainText }: StartFacts): string {
  const label = rep ? repLabel(rep) : '';
  const isOpen = rep?.open === true;
  const named = who === undefined ? '' : ` ${who}`;
  // In open work nobody is told which rep it is.
  const subject = named || (isOpen ? '' : ` rep ${repNumber}`);
  if (isStillOut) return `Next${subject}: ${label}`;
  if (isFirst) return `Start${named}: ${label}${chainText === undefined ? '' : `, ${chainText}`}`;
  return `Start${subject}${isOpen || named ? `: ${label}` : ''}`;
}

/** `2 of 12: 400 @5k`: where the groups shown are, if they are all at one place. */
export function whereText(state: RunState, shown: ReadonlySet<string>): string | undefined {
  const texts = peopledGroups(state, shown).map((group) => {
    const slot = group.slots[group.lastAt];
    if (!slot) return undefined;
    const members = membersOf(state, group.id);
    const run = members.flatMap(({ runs }) => runs.filter(({ repIndex }) => repIndex === slot.repIndex))[0];
    const rep = run?.rep ?? group.plan.reps[slot.planIndex];
    const count = countOf(group, slot.repIndex);
    return rep && `${count ? `${count.at} of ${count.of}: ` : ''}${repLabel(rep)}`;
  });
  const [first] = texts;
  return texts.every((text) => text === first) ? first : undefined;
}

/** One group in a few words, for the strip: what it is about to do. */
export function groupText(state: RunState, group: GroupState, nowMs: number): { status: string; due: boolean } {
  const members = membersOf(state, group.id);
  const onRun = members.filter((athlete) => isOnTheWay(athlete, nowMs));
  const [first] = onRun.map(({ runs }) => runs.at(-1)?.startedAtMs ?? nowMs).sort((a, b) => a - b);
  if (first !== undefined && state.endedAtMs === undefined)
    return { status: formatClock(Math.max(0, Math.floor((nowMs - first) / 1000))), due: false };
  const dues = dueStarts(state).filter(({ groupId }) => groupId === group.id);
  if (dues.length === 0) return { status: group.startedAtMs === undefined ? '–' : 'done', due: false };
  const at = dues.flatMap(({ atMs }) => atMs ?? []).sort((a, b) => a - b)[0];
  if (at === undefined) return { status: nextSlot(state, group) ? 'ready' : 'done', due: false };
  const leftS = Math.ceil((at - nowMs) / 1000);
  return leftS > 0 ? { status: `−${formatClock(leftS)}`, due: false } : { status: 'go', due: true };
}
