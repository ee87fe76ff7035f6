/** Race day on a card: the warm-up back from the gun, splits for the goal, and the reading of the race afterwards. */
import { formatTime } from '../units/time';

/** One thing to do before the gun. */
export type WarmUpStep = { at: string; beforeMin: number; what: string };

/** Common coaching practice; athletes with their own way keep it. */
const WARM_UP = [
  { beforeMin: 50, what: '12 to 15 minutes of easy running' },
  { beforeMin: 35, what: 'drills' },
  { beforeMin: 25, what: '4 strides of about 80 m, walking back' },
  { beforeMin: 12, what: 'shoes and number on, a sip to drink' },
  { beforeMin: 6, what: '2 short strides, then keep warm' },
];
/** For the second race of a day. */
const SECOND_WARM_UP = [
  { beforeMin: 30, what: '8 minutes of easy running' },
  { beforeMin: 20, what: 'a few drills' },
  { beforeMin: 12, what: '2 or 3 strides' },
  { beforeMin: 5, what: 'keep warm' },
];

const DAY_MIN = 1440;
const two = (n: number) => String(n).padStart(2, '0');

function before(startTime: string, minutes: number): string {
  const [hours = 0, min = 0] = startTime.split(':').map(Number);
  const at = (hours * 60 + min - minutes + DAY_MIN) % DAY_MIN;
  return `${two(Math.floor(at / 60))}:${two(at % 60)}`;
}

/** The warm-up with its times of day, back from the gun (HH:MM). */
export const warmUpFor = (startTime: string, isSecond = false): WarmUpStep[] =>
  (isSecond ? SECOND_WARM_UP : WARM_UP).map((step) => ({ ...step, at: before(startTime, step.beforeMin) }));

/** How the race is run: the same all the way, or the second half a little faster. */
export const RACE_SHAPES = ['even', 'faster'] as const;
export type RaceShape = (typeof RACE_SHAPES)[number];

/** The second half is faster by so much of the average pace, the first as much slower. */
const FASTER_BY = 0.005;

/** Share of the time at a share of the distance. */
function timeShare(share: number, shape: RaceShape): number {
  if (shape === 'even') return share;
  return share <= 0.5 ? share * (1 + FASTER_BY) : 0.5 * (1 + FASTER_BY) + (share - 0.5) * (1 - FASTER_BY);
}

export type RaceSplit = { atM: number; timeS: number; splitS: number };

function splitsAt(marks: readonly number[], { distanceM, goalS, shape }: RaceAim): RaceSplit[] {
  let last = 0;
  return marks.map((atM) => {
    const timeS = goalS * timeShare(atM / distanceM, shape);
    const split = { atM, timeS, splitS: timeS - last };
    last = timeS;
    return split;
  });
}

export type RaceAim = { distanceM: number; goalS: number; shape: RaceShape };

/** Times at the finish line on every lap; of a distance that is no whole number of laps the first one is short. */
export function lapSplits(aim: RaceAim, lapM = 400): RaceSplit[] {
  const laps = Math.floor(aim.distanceM / lapM + 1e-9);
  const first = aim.distanceM - laps * lapM;
  const marks = Array.from({ length: laps }, (_, i) => first + (i + 1) * lapM);
  return splitsAt(first > 1 ? [first, ...marks] : marks, aim);
}

/** Times at a third, two thirds and the whole. */
export const thirdSplits = (aim: RaceAim): RaceSplit[] =>
  splitsAt(
    [1 / 3, 2 / 3, 1].map((share) => share * aim.distanceM),
    aim,
  );

/** What to think of in each third, until the coach says something else. */
export const USUAL_FOCUS: [string, string, string] = [
  'Settle in and hold back: it should feel too easy.',
  'Hold the pace; look at the runner ahead, not at the clock.',
  'Go by one runner at a time, and the last straight with the arms.',
];

/** What the pace to open at is taken from. */
export type Opening = { pace400S: number; from: 'goal' | 'now' };

/** A goal this far above current fitness is not opened at. */
const BOLD = 0.02;

/** Opening pace in seconds over 400 m: the goal's, or the current one if the goal is still far away. */
export function openingFor({
  distanceM,
  goalS,
  nowS,
}: {
  distanceM: number;
  goalS?: number;
  nowS?: number;
}): Opening | undefined {
  const of = (timeS: number) => (timeS / distanceM) * 400;
  if (goalS === undefined) return nowS === undefined ? undefined : { pace400S: of(nowS), from: 'now' };
  if (nowS !== undefined && goalS < nowS * (1 - BOLD)) return { pace400S: of(nowS), from: 'now' };
  return { pace400S: of(goalS), from: 'goal' };
}

export type ThirdRead = { targetS: number; timeS: number; percent: number };
export type RaceRead = { thirds: ThirdRead[]; text: string; workOn: string };

/** Time at a distance, evenly between the splits round it. */
function timeAt(splits: readonly { atM: number; timeS: number }[], atM: number): number | undefined {
  const points = [{ atM: 0, timeS: 0 }, ...splits];
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1], points[i]];
    if (!a || !b || atM > b.atM + 1e-6) continue;
    return a.timeS + ((atM - a.atM) / (b.atM - a.atM)) * (b.timeS - a.timeS);
  }
  return undefined;
}

/** A third this many percent off the average pace stands out; after a first one that was too fast, less does. */
const STANDS_OUT = 1.5;
const PAID = 1;

/** `first km`, `first lap`, `first 200 m`. */
function firstName(atM: number): string {
  if (Math.abs(atM - 1000) < 1) return 'first km';
  return Math.abs(atM - 400) < 1 ? 'first lap' : `first ${Math.round(atM)} m`;
}

/**
 * Reads a race by thirds against its plan; undefined where the splits do not reach the finish or go back in time.
 * @param splits times from the gun, in order of the distance; the last one is the finish.
 */
export function readRace(aim: RaceAim, splits: readonly { atM: number; timeS: number }[]): RaceRead | undefined {
  const isRising = splits.every(
    ({ atM, timeS }, i) => atM > (splits[i - 1]?.atM ?? 0) && timeS > (splits[i - 1]?.timeS ?? 0),
  );
  const last = splits.at(-1);
  if (!isRising || !last || Math.abs(last.atM - aim.distanceM) > 1 || splits.length < 2) return undefined;
  const ends = [1 / 3, 2 / 3, 1].map(
    (share) => timeAt(splits, Math.min(last.atM, share * aim.distanceM)) ?? Number.NaN,
  );
  const thirdsS = ends.map((timeS, i) => timeS - (ends[i - 1] ?? 0));
  if (thirdsS.some((timeS) => !Number.isFinite(timeS))) return undefined;
  const targets = thirdSplits(aim).map(({ splitS }) => splitS);
  // Compared with the plan's shape at the pace that was run, so that a slow day is not three late thirds.
  const scale = last.timeS / aim.goalS;
  const off = thirdsS.map((timeS, i) => (timeS / ((targets[i] ?? timeS) * scale) - 1) * 100);
  const [first = 0, middle = 0, end = 0] = off;
  const thirds = thirdsS.map((timeS, i) => ({
    targetS: targets[i] ?? timeS,
    timeS,
    percent: (timeS / (targets[i] ?? timeS) - 1) * 100,
  }));
  const finish = formatTime(last.timeS, last.timeS < 600 ? 1 : 0);
  const [opened] = splits;
  const { distanceM, shape } = aim;
  if (opened && first < -STANDS_OUT && Math.max(middle, end) > PAID) {
    // As it was typed, against the plan's shape at the pace that was run.
    const evenS = last.timeS * timeShare(opened.atM / distanceM, shape);
    const fast = Math.round((1 - opened.timeS / evenS) * 100);
    const name = firstName(opened.atM);
    const where = middle > PAID && end > PAID ? 'middle and the last third' : middle > PAID ? 'middle' : 'last third';
    return {
      thirds,
      text: `${finish}: opened too fast, ${name} ${fast} % fast, and paid for it in the ${where}.`,
      workOn: `Opening in ${formatTime(evenS, evenS < 100 ? 1 : 0)} over the ${name} next time; reps at race pace whose first 200 m are called.`,
    };
  }
  if (middle > STANDS_OUT)
    return {
      thirds,
      text: `${finish}: the pace was lost in the middle third.`,
      workOn: 'Stamina: threshold and longer reps at race pace.',
    };
  if (end > STANDS_OUT)
    return {
      thirds,
      text: `${finish}: slower in the last third.`,
      workOn: 'Holding on when tired: race-pace reps with shorter rests, a fast finish.',
    };
  if (end < -STANDS_OUT)
    return {
      thirds,
      text: `${finish}: fastest in the last third, with something left.`,
      workOn: 'A little more courage: the middle third at race pace.',
    };
  return { thirds, text: `${finish}: even from start to finish.`, workOn: 'More of the same.' };
}
