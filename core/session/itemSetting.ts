/** A change to one item of the session. `share` is of the speed: 0.98 is slower. */
export type ItemSetting =
  | { kind: 'count'; n: number }
  /** Metres or seconds of each rep, chosen from a range. */
  | { kind: 'length'; length: number }
  | { kind: 'recovery'; durationS: number }
  | { kind: 'jog'; distanceM: number }
  | { kind: 'pace'; share: number }
  /** Of the item's every rep, or of the one that is its `rep`th (from 0). */
  | { kind: 'target'; targetS: number; rep?: number };
