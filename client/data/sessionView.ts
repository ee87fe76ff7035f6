import { timeFor } from '@core/fitness/curve';
import type { PaceSource } from '@core/paces/paceSpeed';
import { curveBook } from '@core/paces/shippedPaceBooks';
import { formatSession } from '@core/session/formatSession';
import type { SessionTree } from '@core/session/session';
import { targetsFor, type TargetLeg } from '@core/targets/targetsFor';
import { sessionTotals, shareOfLimit, type SessionTotals } from '@core/targets/totals';
import { layLapSheet, type LapSection } from '@core/track/lapSheet';
import { standardTrack, type Venue } from '@core/venue/venue';
import { formatLength, type LengthUnit } from '@core/units/distance';
import { formatClock } from '@core/units/time';

/** Someone a session is looked at for. */
export type Whose = { name: string; paces: PaceSource };

/** A session as one athlete (or nobody in particular) sees it: legs, lap sheet, and a line about it. */
export type SessionView = {
  venue: Venue;
  legs: TargetLeg[];
  sections: LapSection[];
  finishLegs: ReadonlySet<number>;
  /** Part of it is drawn by how far this athlete should get. */
  isExpected: boolean;
  distanceM: number;
  /** `about 52:00 for Dov`, where it is looked at for somebody whose paces are known. */
  forWhom?: string;
};

/** `8.4 km, about 52:00 for Dov`. */
export const totalsOf = ({ distanceM, forWhom }: SessionView, unit: LengthUnit): string =>
  [formatLength(distanceM, unit), ...(forWhom === undefined ? [] : [forWhom])].join(', ');

/** What a lap sheet is drawn from. */
export const drawingOf = (legs: readonly TargetLeg[], venue: Venue) => ({
  venue,
  sections: layLapSheet(legs, venue),
  finishLegs: new Set(legs.flatMap((leg, i) => (leg.role === 'finish' ? [i] : []))),
});

/** Lays a session out; times are those of the athlete whose paces are given. */
export function viewSession(session: SessionTree, whose?: Whose, venue: Venue = standardTrack): SessionView {
  const legs = targetsFor(session, { ...(whose?.paces ?? { paceBook: curveBook }), venue });
  const { distanceM, durationS } = sessionTotals(legs);
  return {
    ...drawingOf(legs, venue),
    legs,
    isExpected: legs.some((leg) => leg.kind === 'rep' && !leg.drills && leg.distanceM === undefined),
    distanceM,
    ...(whose?.paces.curve
      ? { forWhom: `about ${formatClock(Math.round(durationS / 60) * 60)} for ${whose.name}` }
      : {}),
  };
}

/** A session's totals for one athlete. */
export type SpanEnd = { name: string; totals: SessionTotals; shareOfLimit: number };

/** The fastest and the slowest of the squad over 5000 m; nobody where nobody has a mark. */
export function endsOf<W extends Whose>(people: readonly W[]): { fastest: W; slowest: W } | undefined {
  const timed = people.flatMap((person) =>
    person.paces.curve ? [{ person, timeS: timeFor(person.paces.curve, 5000) }] : [],
  );
  timed.sort((a, b) => a.timeS - b.timeS);
  const [first, last] = [timed[0], timed.at(-1)];
  return first && last ? { fastest: first.person, slowest: last.person } : undefined;
}

/** A session's totals for the fastest and the slowest; for nobody in particular if nobody has a mark. */
export function spanOf(session: SessionTree, ends: ReturnType<typeof endsOf>, venue: Venue): SpanEnd[] {
  const totalsFor = ({ name, paces }: Whose): SpanEnd => {
    const legs = targetsFor(session, { ...paces, venue });
    return { name, totals: sessionTotals(legs), shareOfLimit: paces.curve ? shareOfLimit(paces.curve, legs) : 0 };
  };
  if (!ends) return [totalsFor({ name: '', paces: { paceBook: curveBook } })];
  return ends.fastest === ends.slowest ? [totalsFor(ends.fastest)] : [totalsFor(ends.fastest), totalsFor(ends.slowest)];
}

/** The main part of a session in its own shorthand, for lists. */
export function mainPart(session: SessionTree): string {
  const lines = session.lines.filter((line) => line.role === 'main' || line.role === 'finish');
  return lines.map((line) => formatSession({ lines: [line] }).replace(/^\w+: /, '')).join(', ');
}
