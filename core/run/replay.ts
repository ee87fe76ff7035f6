import { correctedLog, isLater, type LogEntry } from './corrections';
import type {
  CareChoice,
  DecidedEvent,
  JoinedEvent,
  NamedEvent,
  NextDayEvent,
  NextStepEvent,
  RunEvent,
  StartedEvent,
} from './events';
import { openSlot, ownRep, plannedSlots } from './lineUp';
import type { Plan, PlannedAthlete } from './plan';
import { groupOf, runAt, type AthleteState, type GroupState, type RepRun, type RunState, type Slot } from './runState';

function newAthlete(planned: PlannedAthlete, groupId: string): AthleteState {
  const { athleteId, name, tileName } = planned;
  return {
    athleteId,
    name,
    tileName,
    planned,
    plannedFor: groupId,
    groupId,
    presence: 'present',
    runs: [],
    decided: [],
    dropped: [],
    open: {},
  };
}

function atFirst({ groups, isEntered }: Plan): RunState {
  const state: RunState = {
    ...(isEntered ? { isEntered } : {}),
    athletes: {},
    groups: groups.map((plan): GroupState => {
      const { id, name } = plan;
      return { id, name, plan, slots: plannedSlots(plan), lastAt: -1, surges: [] };
    }),
    unnamed: [],
    startMode: 'tap',
    finishesOnly: false,
    staggers: false,
    conditions: {},
    timers: {},
    clocks: {},
    answers: [],
    log: [],
    unplaced: [],
  };
  for (const { id, athletes } of groups)
    for (const athlete of athletes) state.athletes[athlete.athleteId] = newAthlete(athlete, id);
  return state;
}

/** Places a start, and the reps that run on after a rep by the clock. */
function place(state: RunState, athlete: AthleteState, group: GroupState, slot: Slot, startId: string, atMs: number) {
  const ownRun = ownRep(state, athlete, slot);
  const { repIndex } = slot;
  const groupId = group.id;
  if (!ownRun || athlete.runs.some((run) => run.repIndex === repIndex && run.groupId === groupId)) return false;
  const run: RepRun = {
    ...ownRun,
    repIndex,
    groupId,
    startId,
    startedAtMs: atMs,
    passes: [],
    heldS: 0,
    flags: [],
    notes: [],
  };
  const { rep } = ownRun;
  athlete.runs.push(run);
  group.lastAt = Math.max(group.lastAt, group.slots.indexOf(slot));
  group.startedAtMs ??= atMs;
  if (rep.durationS !== undefined) finish(state, athlete, run, atMs + rep.durationS * 1000);
  return true;
}

function finish(state: RunState, athlete: AthleteState, run: RepRun, atMs: number): void {
  run.finishedAtMs = atMs;
  const group = groupOf(state, athlete.groupId);
  if (!group || !run.rep.runsOn) return;
  const next = group.slots[group.slots.findIndex(({ repIndex }) => repIndex === run.repIndex) + 1];
  if (next) place(state, athlete, group, next, run.startId, atMs);
}

/** The slot of a start; another turn of open work is inserted after the turns before. */
function slotFor(group: GroupState, { repIndex, planIndex }: StartedEvent): Slot | undefined {
  const knownSlot = group.slots.find((slot) => slot.repIndex === repIndex);
  if (knownSlot || planIndex === undefined || !group.plan.reps[planIndex]?.open) return knownSlot;
  const behind = group.slots.findLastIndex((slot) => slot.planIndex === planIndex);
  if (behind < 0) return undefined;
  const slot = { repIndex, planIndex };
  group.slots.splice(behind + 1, 0, slot);
  return slot;
}

function applyStart(state: RunState, event: StartedEvent, atMs: number): boolean {
  let isPlaced = false;
  for (const athleteId of event.athleteIds) {
    const athlete = state.athletes[athleteId];
    const group = athlete && groupOf(state, athlete.groupId);
    const slot = group && slotFor(group, event);
    if (athlete && slot && place(state, athlete, group, slot, event.id, atMs)) isPlaced = true;
  }
  if (!isPlaced) return false;
  state.startedAtMs ??= atMs;
  if (event.staggers) state.staggers = true;
  return true;
}

type Taken = { athleteId: string; repIndex: number; atM: number };

const isMark = (value: number, every: number) =>
  Math.abs(value / every - Math.round(value / every)) < 1e-9 && value > 0;

function applyPass(
  state: RunState,
  { event, atMs }: LogEntry,
  { athleteId, repIndex, atM }: Taken,
  namedAs: ReadonlyMap<string, NamedEvent>,
): boolean {
  const athlete = state.athletes[athleteId];
  const run = runAt(athlete, repIndex);
  if (!athlete || !run || atMs < run.startedAtMs) return false;
  const { callM, everyM } = run.rep;
  if (!callM.includes(atM) && !(everyM !== undefined && isMark(atM, everyM))) return false;
  const elapsedS = (atMs - run.startedAtMs) / 1000;
  const taken = run.passes.find((pass) => pass.atM === atM);
  const [naming, namingOfTaken] = [namedAs.get(event.id), taken && namedAs.get(taken.eventId)];
  if (taken?.deviceId === event.deviceId && (naming ?? namingOfTaken)) {
    // One of the two was named as theirs, or was named last: it is, and the other is kept without a name.
    const isTheirs = naming !== undefined && isLater(naming, namingOfTaken);
    const displaced = isTheirs ? taken : { eventId: event.id, atMs };
    state.unnamed.push({ eventId: displaced.eventId, atMs: displaced.atMs, was: { athleteId, repIndex, atM } });
    if (!isTheirs) return true;
    run.passes = run.passes.filter((pass) => pass !== taken);
  } else if (taken) {
    // The same mark taken by two phones is one time; both can be seen. By one phone it is a thumb that bounced.
    if (taken.deviceId === event.deviceId) return false;
    taken.also = [...(taken.also ?? []), { eventId: event.id, deviceId: event.deviceId, elapsedS }];
    return true;
  }
  // A later mark cannot have an earlier time. Such a tap is kept until it is named or undone.
  const contrary = run.passes.find((pass) => (pass.atM < atM ? pass.atMs > atMs : pass.atMs < atMs));
  if (contrary) {
    state.unnamed.push({ eventId: event.id, atMs, waits: { athleteId, repIndex, atM, otherM: contrary.atM } });
    return true;
  }
  const isEstimated = event.type === 'passed' && event.estimated;
  run.passes.push({
    eventId: event.id,
    deviceId: event.deviceId,
    atM,
    atMs,
    elapsedS,
    ...(isEstimated ? { estimated: true as const } : {}),
  });
  run.passes.sort((a, b) => a.atM - b.atM);
  if (atM === callM.at(-1)) finish(state, athlete, run, atMs);
  return true;
}

function applyJoin(state: RunState, { groupId, athlete }: JoinedEvent): boolean {
  if (state.athletes[athlete.athleteId] || !groupOf(state, groupId)) return false;
  state.athletes[athlete.athleteId] = { ...newAthlete(athlete, groupId), isVisitor: true };
  return true;
}

function decide(state: RunState, athlete: AthleteState, event: DecidedEvent, atMs: number): void {
  const { decision, id: eventId, rule } = event;
  const group = groupOf(state, athlete.groupId);
  athlete.decided.push({
    eventId,
    decision,
    afterRuns: athlete.runs.length - 1,
    ...(rule === undefined ? {} : { rule }),
  });
  const last = athlete.runs.at(-1);
  if (decision.kind === 'stop') athlete.stoppedAtMs = atMs;
  else if (decision.kind === 'drop') athlete.dropped.push(decision.repIndex);
  else if (decision.kind === 'recovery' && last?.target.recoveryS !== undefined)
    // The rest under way gets longer too.
    last.target = { ...last.target, recoveryS: Math.max(0, last.target.recoveryS + decision.addS) };
  else if ((decision.kind === 'cutDown' || decision.kind === 'endOpen') && group) {
    const slot = openSlot(group);
    if (!slot) return;
    const { stage = 0 } = athlete.open[slot.planIndex] ?? {};
    athlete.open[slot.planIndex] = decision.kind === 'cutDown' ? { stage: stage + 1 } : { stage, isOver: true };
  }
}

/** Inserts one more rep after the last like it in the main part. */
function addRep(state: RunState, athlete: AthleteState, repIndex: number, planIndex: number): void {
  const group = groupOf(state, athlete.groupId);
  if (!group?.plan.reps[planIndex]) return;
  const knownSlot = group.slots.find((slot) => slot.repIndex === repIndex);
  if (knownSlot) knownSlot.onlyFor?.push(athlete.athleteId);
  else {
    const behind = group.slots.findLastIndex((slot) => slot.planIndex === planIndex);
    group.slots.splice(behind + 1, 0, { repIndex, planIndex, onlyFor: [athlete.athleteId] });
    if (behind < group.lastAt) group.lastAt++;
  }
}

function applyDecision(state: RunState, event: DecidedEvent, atMs: number): boolean {
  const { decision, athleteIds, rule, repIndex = -1, refused } = event;
  const athletes = athleteIds.flatMap((id) => state.athletes[id] ?? []);
  for (const athlete of athletes) {
    if (rule !== undefined)
      state.answers.push({ rule, athleteId: athlete.athleteId, repIndex, refused: refused === true });
    if (refused) continue;
    decide(state, athlete, event, atMs);
    if (decision.kind === 'oneMore') addRep(state, athlete, decision.repIndex, decision.planIndex);
  }
  return athletes.length > 0;
}

function applyTo(run: RepRun | undefined, event: RunEvent): boolean {
  if (!run) return false;
  if (event.type === 'felt') run.effort = event.effort;
  else if (event.type === 'pulse') run.beatsPerMin = event.beatsPerMin;
  else if (event.type === 'flagged') run.flags = [...new Set([...run.flags, event.flag])];
  else if (event.type === 'noted') run.notes.push(event.text);
  else if (event.type === 'covered') run.coveredM = event.distanceM;
  else if (event.type === 'excluded') run.excluded = { eventId: event.id, reason: event.reason };
  return true;
}

function applyAfterwards(state: RunState, event: NextDayEvent | NextStepEvent): boolean {
  const athletes = event.athleteIds.flatMap((id) => state.athletes[id] ?? []);
  for (const athlete of athletes) {
    if (event.type === 'nextDay') athlete.nextDay = event.legs;
    else
      athlete.nextStep = { step: event.step, ...(event.sessionId === undefined ? {} : { sessionId: event.sessionId }) };
  }
  return athletes.length > 0;
}

function applyCare(athlete: AthleteState | undefined, choice: CareChoice): boolean {
  if (!athlete) return false;
  if (choice === 'out') athlete.presence = 'absent';
  else if (athlete.careChoice === 'out') athlete.presence = 'present';
  athlete.careChoice = choice;
  return true;
}

function applyMove(state: RunState, athleteIds: readonly string[], groupId: string): boolean {
  const athletes = athleteIds.flatMap((id) => state.athletes[id] ?? []);
  if (!groupOf(state, groupId)) return false;
  for (const athlete of athletes) athlete.groupId = groupId;
  return athletes.length > 0;
}

function applyHold(state: RunState, athleteIds: readonly string[], repIndex: number, addS: number): boolean {
  const runs = athleteIds.flatMap((id) => runAt(state.athletes[id], repIndex) ?? []);
  for (const run of runs) run.heldS += addS;
  return runs.length > 0;
}

/** Reps by the clock end with the session; those the clock had not started were not run. */
function cutShort(state: RunState, endedAtMs: number): void {
  for (const athlete of Object.values(state.athletes)) {
    athlete.runs = athlete.runs.filter(
      ({ rep, startedAtMs }) => rep.durationS === undefined || startedAtMs < endedAtMs,
    );
    for (const run of athlete.runs)
      if (run.rep.durationS !== undefined && run.finishedAtMs !== undefined && run.finishedAtMs > endedAtMs)
        run.finishedAtMs = endedAtMs;
  }
}

/** @returns false if the event has no place in the session. */
function apply(state: RunState, entry: LogEntry, namedAs: ReadonlyMap<string, NamedEvent>): boolean {
  const { event, atMs } = entry;
  switch (event.type) {
    case 'started':
      return applyStart(state, event, atMs);
    case 'passed':
      return applyPass(state, entry, namedAs.get(event.id) ?? event, namedAs);
    case 'crossed': {
      const named = namedAs.get(event.id);
      if (named) return applyPass(state, entry, named, namedAs);
      state.unnamed.push({
        eventId: event.id,
        atMs,
        ...(event.chip === undefined ? {} : { chip: event.chip }),
        ...(event.tappedId === undefined ? {} : { tappedId: event.tappedId }),
      });
      return true;
    }
    case 'came': {
      const athlete = state.athletes[event.athleteId];
      if (athlete) athlete.presence = event.presence;
      return athlete !== undefined;
    }
    case 'sessionFelt': {
      const athlete = state.athletes[event.athleteId];
      if (athlete) athlete.sessionEffort = event.effort;
      return athlete !== undefined;
    }
    case 'stopReason': {
      const athlete = state.athletes[event.athleteId];
      if (athlete) athlete.stopReason = event.reason;
      return athlete !== undefined;
    }
    case 'careChosen':
      return applyCare(state.athletes[event.athleteId], event.choice);
    case 'nextDay':
    case 'nextStep':
      return applyAfterwards(state, event);
    case 'joined':
      return applyJoin(state, event);
    case 'moved':
      return applyMove(state, event.athleteIds, event.groupId);
    case 'conditions':
      state.conditions = { ...state.conditions, ...event.conditions };
      return true;
    case 'times':
      state.timers[event.deviceId] = event.groupIds;
      return true;
    case 'marks':
      state.finishesOnly = event.finishesOnly;
      return true;
    case 'sending':
      state.startMode = event.sending;
      return true;
    case 'held':
      return applyHold(state, event.athleteIds, event.repIndex, event.addS);
    case 'felt':
    case 'pulse':
    case 'flagged':
    case 'noted':
    case 'covered':
    case 'excluded':
      return applyTo(runAt(state.athletes[event.athleteId], event.repIndex), event);
    case 'decided':
      return applyDecision(state, event, atMs);
    case 'surged': {
      const group = groupOf(state, event.groupId);
      group?.surges.push({ eventId: event.id, atMs, isOn: event.isOn });
      return group !== undefined;
    }
    case 'ended':
      if (state.endedAtMs !== undefined) return false;
      state.endedAtMs = atMs;
      cutShort(state, atMs);
      return true;
    // Read before everything else: see correctedLog().
    case 'named':
    case 'shifted':
    case 'clock':
    case 'undone':
      return true;
  }
}

const NO_NAMES: ReadonlyMap<string, NamedEvent> = new Map();

/** Applies an entry that comes after all others of the state and that no other one corrects; the log is the caller's. Mutates the state. */
export function applyEntry(state: RunState, entry: LogEntry, namedAs = NO_NAMES): void {
  const { event, counts } = entry;
  if (!counts || event.type === 'undone') return;
  if (!apply(state, entry, namedAs)) state.unplaced.push(event);
}

/** The state of a run from its plan and events. Pure: any order, and duplicates, give the same state. */
export function replay(plan: Plan, events: readonly RunEvent[]): RunState {
  const { entries, namedAs, clocks } = correctedLog(events);
  const state = atFirst(plan);
  state.clocks = clocks;
  state.log = entries;
  for (const entry of entries) applyEntry(state, entry, namedAs);
  return state;
}
