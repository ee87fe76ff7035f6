/** What a session is meant to do, and what follows from that: how it should feel, and how near to its times it is run. */

export const INTENTS = [
  'threshold',
  'critical-speed-short',
  'critical-speed-long',
  'aerobic-power',
  'race-pace',
  'speed',
  'hills',
  'fartlek',
  'alternation',
  'progression',
  'long-run',
  'transition',
  'test',
  'indicator',
  'rehearsal',
  'mixed',
] as const;
export type Intent = (typeof INTENTS)[number];

const ALL_OUT_WORK: readonly (Intent | undefined)[] = ['test', 'rehearsal'];
const STANDING: readonly (Intent | undefined)[] = [...ALL_OUT_WORK, 'indicator'];

/** Run with all they have: its time is a mark, its effort ten. */
export const isAllOut = (intent: Intent | undefined): boolean => ALL_OUT_WORK.includes(intent);
/** Shows where everyone stands, and has no next step. */
export const showsStanding = (intent: Intent | undefined): boolean => STANDING.includes(intent);

/** The effort a session is meant to take, on 1 to 10: on its first rep, half way, and on its last. */
export type MeantArc = { first: number; middle: number; last: number };

export type IntentFacts = {
  /** As a coach calls it: `Critical speed, short reps`. */
  name: string;
  description: string;
  arc: MeantArc;
  /** Every tolerance of the pace book is taken so many times: a rehearsal is run nearer to its times than a fartlek. */
  toleranceTimes: number;
  /** It is run fast enough to want a warm-up, a cool-down and easy days round it. */
  isHard: boolean;
};

/** Easy to medium-hard, medium to very hard, hard from the first: common coaching practice. */
const STAMINA: MeantArc = { first: 4, middle: 5.5, last: 7 };
const SPEED_WORK: MeantArc = { first: 5.5, middle: 7.5, last: 9 };
const RACE_PACE: MeantArc = { first: 6.5, middle: 8, last: 9 };
const SPRINT: MeantArc = { first: 7, middle: 8, last: 9 };
const EASY: MeantArc = { first: 3, middle: 4, last: 5 };
const ALL_OUT: MeantArc = { first: 7, middle: 9, last: 10 };

const facts = (name: string, description: string, arc: MeantArc, toleranceTimes = 1, isHard = true): IntentFacts => ({
  name,
  description,
  arc,
  toleranceTimes,
  isHard,
});

export const INTENT_FACTS: Readonly<Record<Intent, IntentFacts>> = {
  threshold: facts('Threshold', 'stamina at about one-hour pace', STAMINA),
  'critical-speed-short': facts('Critical speed, short reps', 'short reps, very short rests', STAMINA),
  'critical-speed-long': facts('Critical speed, long reps', 'long reps, rest about as long as the work', STAMINA),
  'aerobic-power': facts('Aerobic power', 'reps at 5k to 3k pace', SPEED_WORK),
  'race-pace': facts('Race pace', 'reps at mile or 800 pace, or at the goal’s with long rests', RACE_PACE),
  speed: facts('Speed', 'short and fast, with long rests', SPRINT, 1.5),
  hills: facts(
    'Hills',
    'uphill by effort; times are compared on their own hill only',
    { first: 6, middle: 7.5, last: 9 },
    3,
  ),
  fartlek: facts('Fartlek', 'changes of speed by the clock or by call', { first: 4, middle: 6, last: 7.5 }, 3),
  alternation: facts('Alternation', 'over and under, without a break', { first: 4.5, middle: 6, last: 7.5 }),
  progression: facts('Progression', 'faster as it goes', { first: 3, middle: 5, last: 7 }, 1.5),
  'long-run': facts('Long run', 'long and easy, maybe with fast parts', EASY, 3, false),
  transition: facts('Transition', 'small intervals after a break', { first: 4, middle: 4.5, last: 5.5 }, 2),
  test: facts('Test', 'flat out, to see where they stand', ALL_OUT),
  indicator: facts(
    'Indicator',
    'goal pace before the goal race, to see if it is there',
    { first: 6, middle: 8, last: 9.5 },
    0.75,
  ),
  rehearsal: facts('Rehearsal', 'the race in parts, at the pace of the race', ALL_OUT, 0.75),
  mixed: facts('Mixed', 'several things at once', { first: 4.5, middle: 7, last: 8.5 }),
};

/** How a session is meant to feel: as it says of itself, else as is usual for its intent. */
export const arcOf = (intent: Intent, { arc }: { arc?: MeantArc | undefined } = {}): MeantArc =>
  arc ?? INTENT_FACTS[intent].arc;
