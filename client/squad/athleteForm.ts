import type { AthleteInput } from '@core/formats/schemas';
import { doubtAboutMark, type MarkKind } from '@core/fitness/mark';
import { formatDistance, parseDistance } from '@core/units/distance';
import { formatMarkTime, parseTime } from '@core/units/time';

/** A mark as typed: text until it is read. */
export type MarkFields = { distance: string; time: string; date: string; kind: MarkKind };
export type AthleteFields = { name: string; marks: MarkFields[] };

/** What is wrong with a field, by its place in the form (`name`, `marks.0.time`). */
export type FieldProblem = { field: string; message: string };

export const toFields = (athlete: AthleteInput): AthleteFields => ({
  name: athlete.name,
  marks: athlete.marks.map(({ distanceM, timeS, date, kind }) => ({
    distance: formatDistance(distanceM),
    time: formatMarkTime(timeS),
    date,
    kind,
  })),
});

/** The distance typed beside a time, in metres, if it can be read: it settles what `18.30` means. */
const distanceOf = (fields: MarkFields): number | undefined => {
  const read = parseDistance(fields.distance);
  return read.ok ? read.distanceM : undefined;
};

export const distanceProblem = (fields: MarkFields): string | undefined => {
  const read = parseDistance(fields.distance);
  return read.ok ? undefined : read.message;
};

export const timeProblem = (fields: MarkFields): string | undefined => {
  const read = parseTime(fields.time, distanceOf(fields));
  return read.ok ? undefined : read.message;
};

/** A typed mark read out, if all of it can be: for showing what was understood, and whether it is believable. */
export function readMark(fields: MarkFields): { distanceM: number; timeS: number; doubt?: string } | undefined {
  const distanceM = distanceOf(fields);
  const time = parseTime(fields.time, distanceM);
  if (distanceM === undefined || !time.ok) return undefined;
  const mark = { distanceM, timeS: time.timeS };
  const doubt = doubtAboutMark(mark);
  return doubt === undefined ? mark : { ...mark, doubt };
}
