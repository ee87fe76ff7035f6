import { counted } from '@core/units/counted';
import type { RunEvent } from '@core/run/events';
import type { RunState } from '@core/run/runState';
import { formatDelta, formatTime } from '@core/units/time';

/** Not undone by the big Undo: settings, which are undone where they were made, and events no hand made. */
const NOT_BY_HAND: ReadonlySet<RunEvent['type']> = new Set([
  'clock',
  'times',
  'conditions',
  'sending',
  'came',
  'joined',
]);

const nameOf = (state: RunState, athleteId: string): string => state.athletes[athleteId]?.tileName ?? 'somebody';

const namesOf = (state: RunState, ids: readonly string[]): string =>
  ids.length === 1 && ids[0] !== undefined
    ? nameOf(state, ids[0])
    : ids.length === Object.keys(state.athletes).length
      ? 'all'
      : counted(ids.length, 'athlete');

/** Whose a time is now, and which; undefined if nobody's. */
function passWords(state: RunState, eventId: string): string | undefined {
  for (const { tileName, runs } of Object.values(state.athletes))
    for (const { passes } of runs) {
      const pass = passes.find((passing) => passing.eventId === eventId);
      if (pass) return `${tileName} ${formatTime(pass.elapsedS, 1)}`;
    }
  return undefined;
}

const DECIDED = {
  ease: 'target',
  recovery: 'recovery',
  distance: 'shorter reps',
  drop: 'one rep fewer',
  stop: 'stop',
  oneMore: 'one more',
  cutDown: 'cut-down',
  endOpen: 'end of the reps',
  talk: 'told',
} as const;

const NEXT_STEP = { on: 'step on', repeat: 'repeat', back: 'ease' } as const;
const CARE_CHOSEN = { out: 'leaves out today', part: 'runs 60 % of it', planned: 'runs as planned' } as const;

/** What an event was, in a few words: `Bo 1:19.3`, `start of rep 2`. */
export function eventWords(state: RunState, event: RunEvent): string {
  switch (event.type) {
    case 'started': {
      const [only] = event.athleteIds;
      const who = event.athleteIds.length === 1 && only !== undefined ? ` ${nameOf(state, only)}` : '';
      return `start of rep ${event.repIndex + 1}${who}`;
    }
    case 'passed':
      return passWords(state, event.id) ?? nameOf(state, event.athleteId);
    case 'crossed':
      return passWords(state, event.id) ?? 'time without a name';
    case 'named':
      return `name ${nameOf(state, event.athleteId)}`;
    case 'shifted':
      return 'corrected time';
    case 'undone':
      return 'undo';
    case 'clock':
      return `clock ${formatDelta(event.offsetMs / 1000)} s`;
    case 'came':
      return `${nameOf(state, event.athleteId)} ${event.presence}`;
    case 'joined':
      return `${event.athlete.tileName} joined`;
    case 'moved':
      return `${namesOf(state, event.athleteIds)} to ${state.groups.find(({ id }) => id === event.groupId)?.name ?? ''}`;
    case 'conditions':
      return 'conditions';
    case 'times':
      return 'who times whom';
    case 'marks':
      return event.finishesOnly ? 'finishes only' : 'marks on the way too';
    case 'sending':
      return 'how reps start';
    case 'held':
      return `${event.addS} s for ${namesOf(state, event.athleteIds)}`;
    case 'felt':
      return `${nameOf(state, event.athleteId)} effort ${event.effort}`;
    case 'sessionFelt':
      return `${nameOf(state, event.athleteId)} whole session ${event.effort}`;
    case 'stopReason':
      return `why ${nameOf(state, event.athleteId)} stopped`;
    case 'careChosen':
      return `${nameOf(state, event.athleteId)} ${CARE_CHOSEN[event.choice]}`;
    case 'nextDay':
      return `${namesOf(state, event.athleteIds)} ${event.legs} the day after`;
    case 'nextStep':
      return `${NEXT_STEP[event.step]}, ${namesOf(state, event.athleteIds)}`;
    case 'excluded':
      return `${nameOf(state, event.athleteId)} rep ${event.repIndex + 1} left out of the reading`;
    case 'pulse':
      return `${nameOf(state, event.athleteId)} pulse ${event.beatsPerMin}`;
    case 'flagged':
      return `${nameOf(state, event.athleteId)} ${event.flag}`;
    case 'noted':
      return `note on ${nameOf(state, event.athleteId)}`;
    case 'decided':
      return `${event.refused ? 'no to ' : ''}${DECIDED[event.decision.kind]}, ${namesOf(state, event.athleteIds)}`;
    case 'surged':
      return event.isOn ? 'surge' : 'float';
    case 'covered':
      return `${nameOf(state, event.athleteId)} ${event.distanceM} m`;
    case 'ended':
      return 'end';
  }
}

/** What this phone did last, by the order of doing: a time put in afterwards is the latest. */
function latestByHand({ log }: RunState, device: string, withUndos: boolean): RunEvent | undefined {
  let last: RunEvent | undefined;
  for (const { event, counts } of log) {
    if (!counts || event.deviceId !== device || NOT_BY_HAND.has(event.type)) continue;
    if ((withUndos || event.type !== 'undone') && (!last || event.id > last.id)) last = event;
  }
  return last;
}

/** The last event of this phone that can be undone. */
export const lastDone = (state: RunState, device: string): RunEvent | undefined => latestByHand(state, device, false);

/** The undo that can be redone: nothing was done on this phone since. */
export function lastUndone(state: RunState, device: string): RunEvent | undefined {
  const last = latestByHand(state, device, true);
  return last?.type === 'undone' ? last : undefined;
}
