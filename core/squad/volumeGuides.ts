/**
 * How much of each kind of work is much: the reps of main part and fast finish, in minutes or metres, for a grown runner
 * with some years behind them, and shares of that for others. Guides, not limits: the coach can change every number.
 * None is taken from one book; all are marked as common practice.
 */
import type { Leaning } from '../fitness/shapePrior';
import type { Intent } from '../session/intent';

/** At most so many seconds or metres of work. */
export type VolumeGuide = { intent: Intent; mostS?: number; mostM?: number; source: string };

/** Whom a share of the guide is for. */
export type GuideFor =
  | { kind: 'age'; under: number }
  | { kind: 'experience'; underWeeks: number }
  | { kind: 'event'; leaning: Leaning }
  | { kind: 'volume'; underKm: number };
export type GuideShare = { for: GuideFor; share: number; source: string };

export type VolumeGuides = { most: VolumeGuide[]; shares: GuideShare[] };

/** The source of the shipped guides. */
export const USUAL_SOURCE = 'common practice';
const source = USUAL_SOURCE;
const minutes = (intent: Intent, most: number): VolumeGuide => ({ intent, mostS: most * 60, source });
const metres = (intent: Intent, mostM: number): VolumeGuide => ({ intent, mostM, source });

export const SHIPPED_GUIDES: VolumeGuides = {
  most: [
    minutes('threshold', 40),
    minutes('critical-speed-short', 26),
    minutes('critical-speed-long', 30),
    minutes('aerobic-power', 24),
    metres('race-pace', 4000),
    metres('speed', 2400),
    minutes('hills', 16),
    minutes('fartlek', 45),
    minutes('alternation', 45),
    minutes('progression', 60),
    minutes('long-run', 120),
    minutes('transition', 20),
    minutes('test', 60),
    minutes('indicator', 30),
    minutes('rehearsal', 30),
    minutes('mixed', 40),
  ],
  shares: [
    { for: { kind: 'age', under: 14 }, share: 0.5, source },
    { for: { kind: 'age', under: 16 }, share: 0.65, source },
    { for: { kind: 'age', under: 18 }, share: 0.8, source },
    { for: { kind: 'experience', underWeeks: 12 }, share: 0.6, source },
    { for: { kind: 'experience', underWeeks: 52 }, share: 0.8, source },
    { for: { kind: 'event', leaning: '400-800' }, share: 0.7, source },
    { for: { kind: 'event', leaning: '800-1500' }, share: 0.85, source },
    { for: { kind: 'volume', underKm: 20 }, share: 0.7, source },
    { for: { kind: 'volume', underKm: 30 }, share: 0.85, source },
  ],
};

/** What the guides need to know about an athlete; what is not known changes nothing. */
export type TrainingProfile = {
  age?: number | undefined;
  weeks?: number | undefined;
  leaning?: Leaning | undefined;
  weeklyKm?: number | undefined;
};

function isFor(guide: GuideFor, { age, weeks, leaning, weeklyKm }: TrainingProfile): boolean {
  switch (guide.kind) {
    case 'age':
      return age !== undefined && age < guide.under;
    case 'experience':
      return weeks !== undefined && weeks < guide.underWeeks;
    case 'event':
      return leaning === guide.leaning;
    case 'volume':
      return weeklyKm !== undefined && weeklyKm < guide.underKm;
  }
}

/** The guide for one athlete: the smallest share that holds for each of age, event, and experience or kilometres a week, all taken together. */
export function guideFor(guides: VolumeGuides, intent: Intent, runner: TrainingProfile): VolumeGuide | undefined {
  const guide = guides.most.find((guide) => guide.intent === intent);
  if (!guide) return undefined;
  const smallest = (kind: GuideFor['kind']) =>
    Math.min(
      1,
      ...guides.shares.flatMap((share) => (share.for.kind === kind && isFor(share.for, runner) ? [share.share] : [])),
    );
  // New runners run few kilometres: one reason for less is not counted twice.
  const share = smallest('age') * Math.min(smallest('experience'), smallest('volume')) * smallest('event');
  return {
    ...guide,
    ...(guide.mostS === undefined ? {} : { mostS: guide.mostS * share }),
    ...(guide.mostM === undefined ? {} : { mostM: guide.mostM * share }),
  };
}
