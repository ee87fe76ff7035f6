import { formatAmount, formatDuration } from '../session/formatSession';
import type { Role } from '../session/session';
import type { TargetLeg } from '../targets/targetsFor';
import { GUESSED_MPS } from '../targets/totals';
import { MILE_M } from '../units/distance';
import type { Venue, Walk } from '../venue/venue';

/** A stretch of one lap: from `fromM` to `toM` metres past the finish line. */
export type Band = {
  kind: 'rep' | 'jog';
  legIndex: number;
  fromM: number;
  toM: number;
  /** Said once, where the leg begins. */
  label?: string;
  /** Its length is a guess: run by the clock. */
  approximate?: true;
};

/** A rest between two legs: on the spot or a stroll and back, or a walk to where the next one starts. */
export type Gap = { legIndex: number; atM: number; label: string; walk?: Walk };

/** One lap; `laps` is more than 1 where several full laps of one leg are drawn as one row. */
export type LapRow = { bands: Band[]; gaps: Gap[]; laps: number };

/** A part of the session: its rows start anew at the finish line. */
export type LapSection = { role: Role; rows: LapRow[] };

/** So many full laps on end in one leg are drawn as one row. */
const FOLD_FROM_LAPS = 3;

/** Lays the bands of one section out over rows, keeping the place reached so far. */
class SectionLayout {
  readonly rows: LapRow[] = [];
  private reachedM: number;

  constructor(
    private readonly lapM: number,
    startM: number,
  ) {
    this.reachedM = startM;
  }

  private row(): LapRow {
    const current = this.rows.at(-1);
    if (current && current.laps === 1 && this.reachedM < this.lapM - 1e-6) return current;
    if (this.rows.length > 0) this.reachedM = 0;
    const row: LapRow = { bands: [], gaps: [], laps: 1 };
    this.rows.push(row);
    return row;
  }

  /** Goes on from `startM` of the lap: on this row if it lies ahead, else on the next. */
  private moveTo(startM: number): void {
    const here = this.reachedM % this.lapM;
    if (Math.abs(here - startM) < 0.01) return;
    if (this.rows.length > 0 && (startM < here || this.rows.at(-1)?.laps !== 1 || this.reachedM >= this.lapM - 1e-6))
      this.rows.push({ bands: [], gaps: [], laps: 1 });
    this.reachedM = startM;
  }

  run(band: Omit<Band, 'fromM' | 'toM'>, lengthM: number, startM: number | undefined): void {
    if (startM !== undefined) this.moveTo(startM);
    let leftM = lengthM;
    let label = band.label;
    while (leftM > 1e-6) {
      const row = this.row();
      const fullLaps = Math.floor(leftM / this.lapM + 1e-9);
      if (this.reachedM < 1e-6 && fullLaps >= FOLD_FROM_LAPS) row.laps = fullLaps;
      const fromM = this.reachedM;
      const toM = Math.min(this.lapM, fromM + leftM);
      const { label: _said, ...rest } = band;
      row.bands.push({ ...rest, fromM, toM, ...(label === undefined ? {} : { label }) });
      label = undefined;
      this.reachedM = toM;
      leftM -= toM - fromM + (row.laps - 1) * this.lapM;
    }
  }

  rest(legIndex: number, label: string, walk?: Walk): void {
    const row = this.rows.at(-1) ?? this.row();
    row.gaps.push({ legIndex, atM: Math.min(this.reachedM, this.lapM), label, ...(walk ? { walk } : {}) });
  }
}

/** What a leg is called in a few characters: `600`, `90s`, `drills: hips`. */
export function legLabel(leg: TargetLeg): string {
  if (leg.kind === 'rep' && leg.drills) return leg.note ? `drills: ${leg.note}` : 'drills';
  if (leg.distanceM === undefined) return formatDuration(leg.durationS ?? 0);
  const unit = leg.distanceM % MILE_M === 0 ? { unit: 'mi' as const } : {};
  return formatAmount({ kind: 'distance', distanceM: leg.distanceM, ...unit });
}

/**
 * Lays a session out as rows of laps, from one athlete's targets: reps as bands from their true start to their true finish,
 * jogs as bands of their own, rests by the clock as gaps.
 */
export function layLapSheet(legs: readonly TargetLeg[], venue: Venue): LapSection[] {
  const sections: LapSection[] = [];
  let layout: SectionLayout | undefined;
  legs.forEach((leg, legIndex) => {
    const role = leg.role === 'finish' ? 'main' : leg.role;
    if (!layout || (sections.at(-1)?.role !== role && leg.kind === 'rep')) {
      layout = new SectionLayout(venue.lapM, leg.startM ?? 0);
      sections.push({ role, rows: layout.rows });
    }
    const label = legLabel(leg);
    const { startM } = leg;
    if (leg.kind === 'rep' && leg.drills) layout.rest(legIndex, label);
    else if (leg.distanceM !== undefined)
      layout.run({ kind: leg.kind === 'rep' ? 'rep' : 'jog', legIndex, label }, leg.distanceM, startM);
    else if (leg.kind === 'rep') {
      const guessedM = leg.expectedM ?? (leg.durationS ?? 0) * GUESSED_MPS;
      layout.run({ kind: 'rep', legIndex, label, approximate: true }, guessedM, startM);
    } else layout.rest(legIndex, leg.durationS === undefined ? 'rest' : formatDuration(leg.durationS), leg.walk);
  });
  return sections;
}
