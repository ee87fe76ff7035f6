/**
 * The session as a small tree: session → line → item → rep or set. Shorthand, lap sheet, targets and the plan at the
 * track are all functions of it, most of them through one flat expansion (expand.ts).
 */

export const ROLES = ['warm', 'main', 'finish', 'cool'] as const;
/** What a line is for. */
export type Role = (typeof ROLES)[number];

export const MANNERS = ['stand', 'walk', 'jog', 'moving', 'float'] as const;
/** How a recovery is spent; `moving` is a jog, or a walk where a jog is too much. */
export type Manner = (typeof MANNERS)[number];

/** A length of running: metres (kept in miles where it was written so), or seconds. Of a range the most, with the least beside it. */
export type Amount =
  | { kind: 'distance'; distanceM: number; leastM?: number | undefined; unit?: 'mi' }
  | { kind: 'duration'; durationS: number; leastS?: number | undefined };

/** One pace: a name of the pace book, a share of its speed, a time over a distance, or an effort with no time. */
export type Pace =
  | { kind: 'named'; name: string; goal: boolean; offset?: { offsetS: number; perM: number } }
  | { kind: 'share'; percent: number; name: string }
  | { kind: 'absolute'; timeS: number; perM: number }
  | { kind: 'effort'; min: number; max: number };

/** The pace of an item's reps: one, moving evenly in speed from the first rep to the last, or anywhere between two (`band`). */
export type RepPace = { from: Pace; to?: Pace; band?: Pace };

/** How often an item is repeated: so many times, a range to choose from, or until it is ended at the track. */
export type Count = { kind: 'fixed'; n: number } | { kind: 'range'; min: number; max: number } | { kind: 'open' };

/** One or several amounts: `ladder` runs them in turn, `cutDown` drops to the next when told to. */
export type Rep = {
  kind: 'rep';
  amounts: Amount[];
  sequence: 'ladder' | 'cutDown';
  free: boolean;
  /** Run uphill. */
  hill?: true;
  pace?: RepPace;
  note?: string;
};

export type RecoveryAmount =
  | { kind: 'time'; minS: number; maxS: number }
  | { kind: 'distance'; distanceM: number; unit?: 'mi' }
  /** As long as the rep (`equal`) or half of it: its distance when jogged after a distance rep, else its time. */
  | { kind: 'equal' }
  | { kind: 'half' }
  /** So many percent of the rep's time. */
  | { kind: 'share'; percent: number }
  /** Until a tap says that the athlete, or their pulse, is ready. */
  | { kind: 'ready' };

export type Recovery = { amount: RecoveryAmount; manner?: Manner; pace?: Pace };

export type Item = {
  count: Count;
  body: Rep | { kind: 'set'; items: Item[] } | { kind: 'drills'; note?: string };
  recovery?: Recovery;
};

export type Line = { role: Role; items: Item[] };

/** A whole training session, as written. */
export type SessionTree = { lines: Line[] };
