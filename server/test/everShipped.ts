/**
 * What apps have sent from the track, in every shape there ever was, as it stood in their storage: an app of then may still bring it. New shapes
 * are added; none is ever changed or taken out.
 */
const run = (n: number) => `01M0000000000000000000000${n}`;
const ADA = '01M1ADA0000000000000000000';
const B0 = '01M1B000000000000000000000';
const PHONE = '01M2PH0NE00000000000000000';
const OTHER_PHONE = '01M2PH0NE00000000000000002';
const GROUP = '01M3GR0VP00000000000000000';
const LIBRARY = '01M4B00K000000000000000000';
const SESSION = '01M5SESS10N000000000000000';
const CALLED = { role: 'main', distanceM: 400, startM: 0, callM: [200, 400], recovery: '90s' };

const eventsOf = (runNumber: number, happened: readonly object[]) =>
  happened.map((event, i) => ({
    id: `01M6000000000000000000${runNumber}${String(i).padStart(3, '0')}`,
    runId: run(runNumber),
    deviceId: PHONE,
    atMs: 1_760_000_000_000 + i * 20_000,
    ...event,
  }));
const idOf = (runNumber: number, i: number) => `01M6000000000000000000${runNumber}${String(i).padStart(3, '0')}`;

/** One list of reps for everyone. */
const first = {
  since: 'the first app',
  plan: {
    id: run(1),
    sessionId: SESSION,
    title: 'Even 400s',
    date: '2026-10-20',
    shorthand: '2x400 @5k / 90s',
    reps: [
      { ...CALLED, pace: '5k', runsOn: true },
      { role: 'finish', durationS: 60, note: 'strong', callM: [] },
    ],
    athletes: [
      {
        athleteId: ADA,
        name: 'Ada Brackenbury',
        tileName: 'Ada',
        targets: [{ targetS: 88.8, recoveryS: 90 }, { expectedM: 250 }],
      },
    ],
  },
  events: eventsOf(1, [
    { type: 'started', repIndex: 0, athleteIds: [ADA] },
    { type: 'passed', athleteId: ADA, repIndex: 0, atM: 200 },
    { type: 'passed', athleteId: ADA, repIndex: 0, atM: 400 },
    { type: 'undone', eventId: idOf(1, 2) },
    { type: 'undone', eventId: idOf(1, 3) },
    { type: 'ended' },
  ]),
};

/** Groups, everything that happens besides times, and a second phone. */
const groups = {
  since: 'groups at the track',
  plan: {
    id: run(2),
    sessionId: SESSION,
    title: 'Even 400s',
    date: '2026-10-27',
    shorthand: '3x400 @5k / 90s',
    arc: { first: 5, middle: 6.5, last: 8 },
    groups: [
      {
        id: GROUP,
        name: 'Long',
        lane: 2,
        startGapS: 15,
        leaderId: ADA,
        reps: [
          { ...CALLED, pace: '5k' },
          { role: 'main', durationS: 120, callM: [], everyM: 200, free: true },
          { role: 'main', distanceM: 400, callM: [400], open: true },
        ],
        athletes: [
          {
            athleteId: ADA,
            name: 'Ada Brackenbury',
            tileName: 'Ada',
            targets: [
              { targetS: 88.8, tolerance: 0.02, recoveryS: 75, mostRecoveryS: 90 },
              { expectedM: 500 },
              { isLeftOut: true },
            ],
            reserve: { criticalMps: 4.2, reserveM: 180 },
          },
        ],
      },
      { id: 'rest', name: 'Others', reps: [CALLED], athletes: [] },
    ],
  },
  events: eventsOf(2, [
    { type: 'clock', offsetMs: -40 },
    { type: 'came', athleteId: ADA, presence: 'present' },
    {
      type: 'joined',
      groupId: 'rest',
      athlete: { athleteId: B0, name: 'Bo Tarrowby', tileName: 'Bo', targets: [{ targetS: 90 }] },
    },
    { type: 'moved', athleteIds: [B0], groupId: GROUP },
    {
      type: 'conditions',
      conditions: { temperatureC: 9, humidityPct: 80, wind: 'breezy', surface: 'wet', lane: 2 },
    },
    { type: 'times', groupIds: [GROUP, 'rest'] },
    { type: 'sending', sending: 'each' },
    { type: 'started', repIndex: 0, athleteIds: [ADA, B0], staggers: true },
    { type: 'crossed' },
    { type: 'crossed', deviceId: OTHER_PHONE },
    { type: 'passed', athleteId: ADA, repIndex: 0, atM: 400 },
    { type: 'named', eventId: idOf(2, 8), athleteId: B0, repIndex: 0, atM: 200 },
    { type: 'shifted', eventId: idOf(2, 10), toMs: 1_760_000_195_000 },
    { type: 'held', athleteIds: [ADA], repIndex: 0, addS: 30 },
    { type: 'felt', athleteId: ADA, repIndex: 0, effort: 6 },
    { type: 'pulse', athleteId: ADA, repIndex: 0, beatsPerMin: 172 },
    { type: 'flagged', athleteId: B0, repIndex: 0, flag: 'stitch' },
    { type: 'noted', athleteId: B0, repIndex: 0, text: 'looked back' },
    {
      type: 'decided',
      athleteIds: [ADA],
      decision: { kind: 'ease', percent: 2 },
      rule: 'fading',
      repIndex: 0,
      refused: true,
    },
    ...[
      { kind: 'recovery', addS: 15 },
      { kind: 'distance', distanceM: 300 },
      { kind: 'oneMore', repIndex: 100, planIndex: 0 },
      { kind: 'cutDown' },
      { kind: 'endOpen' },
      { kind: 'talk' },
      { kind: 'drop', repIndex: 2 },
      { kind: 'stop' },
    ].map((decision) => ({ type: 'decided', athleteIds: [B0], decision })),
    { type: 'started', repIndex: 1, athleteIds: [ADA], planIndex: 1, byItself: true },
    { type: 'surged', groupId: GROUP, isOn: true },
    { type: 'covered', athleteId: ADA, repIndex: 1, distanceM: 510 },
    { type: 'passed', athleteId: ADA, repIndex: 1, atM: 200, estimated: true },
    { type: 'undone', eventId: idOf(2, 9) },
    { type: 'ended' },
  ]),
};

/** Timing loops, and what is told afterwards; a version was still said by `bookId`. */
const afterwards = {
  since: 'chips, typed results and versions',
  plan: {
    id: run(3),
    sessionId: SESSION,
    title: 'From the clipboard',
    date: '2026-11-03',
    shorthand: '2x400 @5k / 90s',
    lapM: 400,
    intent: 'speed',
    isEntered: true,
    groups: [
      {
        id: 'all',
        name: 'Everyone',
        bookId: LIBRARY,
        reps: [{ ...CALLED, hill: true }, CALLED],
        athletes: [
          {
            athleteId: ADA,
            name: 'Ada Brackenbury',
            tileName: 'Ada',
            targets: [{ targetS: 88.8 }, {}],
            chip: 'A-17',
            telling: { a: -0.4, g: 1.1 },
          },
        ],
      },
    ],
  },
  events: eventsOf(3, [
    { type: 'started', repIndex: 0, athleteIds: [ADA] },
    { type: 'crossed', chip: 'Z-99' },
    { type: 'passed', athleteId: ADA, repIndex: 0, atM: 400 },
    { type: 'excluded', athleteId: ADA, repIndex: 0, reason: 'a fall' },
    { type: 'ended' },
    { type: 'sessionFelt', athleteId: ADA, effort: 7 },
    { type: 'nextDay', athleteIds: [ADA], legs: 'heavy' },
    { type: 'nextStep', athleteIds: [ADA], step: 'repeat', sessionId: SESSION },
  ]),
};

/** Times at the finish alone, and a time that a tile was pressed for too soon. */
const finishes = {
  since: 'finishes only',
  plan: { ...first.plan, id: run(4) },
  events: eventsOf(4, [
    { type: 'marks', finishesOnly: true },
    { type: 'started', repIndex: 0, athleteIds: [ADA] },
    { type: 'crossed', tappedId: ADA },
    { type: 'ended' },
  ]),
};

/** Why somebody stopped, and how much somebody to take care of runs. */
const care = {
  since: 'care',
  plan: { ...first.plan, id: run(5) },
  events: eventsOf(5, [
    { type: 'careChosen', athleteId: ADA, choice: 'part' },
    { type: 'started', repIndex: 0, athleteIds: [ADA] },
    { type: 'flagged', athleteId: ADA, repIndex: 0, flag: 'pain' },
    { type: 'decided', athleteIds: [ADA], decision: { kind: 'stop' }, repIndex: 0 },
    { type: 'ended' },
    { type: 'stopReason', athleteId: ADA, reason: 'pain' },
  ]),
};

export const EVER_SHIPPED = [first, groups, afterwards, finishes, care];
