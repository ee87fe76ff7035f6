import type { PaceSource } from '@core/paces/paceSpeed';
import { curveBook } from '@core/paces/shippedBooks';
import { formatSession } from '@core/session/formatSession';
import type { Session } from '@core/session/session';
import { targetsFor, type TargetLeg } from '@core/targets/targetsFor';
import { sessionTotals } from '@core/targets/totals';
import { layLapSheet, type LapSection } from '@core/track/lapSheet';
import { standardTrack } from '@core/track/venue';
import { formatKm } from '@core/units/distance';
import { formatClock } from '@core/units/time';

/** What a session looks like for one athlete (or for nobody in particular): legs, lap sheet, and a line about it. */
export type SessionView = {
  legs: TargetLeg[];
  sections: LapSection[];
  finishLegs: ReadonlySet<number>;
  /** `8.4 km, about 52:00 for Dov`. */
  totals: string;
};

/** Lays a session out; times are those of the athlete whose paces are given. */
export function viewSession(session: Session, whose?: { name: string; paces: PaceSource }): SessionView {
  const legs = targetsFor(session, { ...(whose?.paces ?? { paceBook: curveBook }), venue: standardTrack });
  const { distanceM, durationS } = sessionTotals(legs);
  const time = whose?.paces.curve ? `, about ${formatClock(Math.round(durationS / 60) * 60)} for ${whose.name}` : '';
  return {
    legs,
    sections: layLapSheet(legs, standardTrack),
    finishLegs: new Set(legs.flatMap((leg, i) => (leg.role === 'finish' ? [i] : []))),
    totals: `${formatKm(distanceM)}${time}`,
  };
}

/** The main part of a session in its own shorthand, for lists. */
export function mainPart(session: Session): string {
  const lines = session.lines.filter((line) => line.role === 'main' || line.role === 'finish');
  return lines.map((line) => formatSession({ lines: [line] }).replace(/^\w+: /, '')).join(', ');
}
