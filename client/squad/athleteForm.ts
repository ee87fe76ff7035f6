import type { Goal } from '@core/squad/athlete';
import { doubtAboutMark, type Course, type Mark, type MarkKind } from '@core/fitness/mark';
import { formatDistance, parseDistance } from '@core/units/distance';
import { formatExactTime, formatTime, otherReadingOf, parseTime } from '@core/units/time';
import type { Read } from '../ui/form/useReadForm';

/** A mark as typed: text until it is read. */
export type MarkFields = {
  /** Of a mark that is stored already. */
  id?: string;
  distance: string;
  time: string;
  date: string;
  kind: MarkKind;
  course: Course;
  courseName: string;
  note: string;
  leftOut: boolean;
};

/** What is wrong with the fields of a mark. */
type MarkProblems = { distance?: string; time?: string; date?: string; courseName?: string; note?: string };

export const emptyMark = (date: string): MarkFields => ({
  distance: '',
  time: '',
  date,
  kind: 'race',
  course: 'track',
  courseName: '',
  note: '',
  leftOut: false,
});

export const toMarkFields = ({ id, distanceM, timeS, date, kind, ...more }: Mark): MarkFields => ({
  ...(id === undefined ? {} : { id }),
  distance: formatDistance(distanceM),
  time: formatExactTime(timeS),
  date,
  kind,
  course: more.course ?? 'track',
  courseName: more.courseName ?? '',
  note: more.note ?? '',
  leftOut: more.leftOut ?? false,
});

/** Nothing has been typed yet. */
export const isBlank = ({ distance, time }: MarkFields) => distance.trim() === '' && time.trim() === '';

/** The distance typed beside a time, in metres, if it can be read: it settles what `18.30` means. */
const distanceOf = (fields: MarkFields): number | undefined => {
  const read = parseDistance(fields.distance);
  return read.ok ? read.distanceM : undefined;
};

/** Everything about a typed mark that cannot be taken; empty when all can. */
function markProblems(fields: MarkFields, today: string): MarkProblems {
  const distance = parseDistance(fields.distance);
  const time = parseTime(fields.time, distanceOf(fields));
  return {
    ...(distance.ok ? {} : { distance: distance.message }),
    ...(time.ok ? {} : { time: time.message }),
    ...(fields.date === ''
      ? { date: 'A date is needed.' }
      : fields.date > today
        ? { date: 'This day is still to come. A race to be ready for is a goal.' }
        : {}),
    ...(fields.courseName.trim().length > 60
      ? { courseName: 'The name of a course can have 60 characters at most.' }
      : {}),
    ...(fields.note.trim().length > 200 ? { note: 'A note can have 200 characters at most.' } : {}),
  };
}

/** A typed mark read out, if distance and time can be: for showing what was understood, and whether it is believable. */
export function readMark(fields: MarkFields): (Mark & { doubt?: string }) | undefined {
  const distanceM = distanceOf(fields);
  const time = parseTime(fields.time, distanceM);
  if (distanceM === undefined || !time.ok) return undefined;
  const note = fields.note.trim();
  const courseName = fields.courseName.trim();
  const meantS = otherReadingOf(fields.time, distanceM);
  const unlikely = doubtAboutMark({ distanceM, timeS: time.timeS });
  const doubt = unlikely && (meantS === undefined ? unlikely : `${unlikely} Did you mean ${formatTime(meantS)}?`);
  return {
    ...(fields.id === undefined ? {} : { id: fields.id }),
    distanceM,
    timeS: time.timeS,
    date: fields.date,
    kind: fields.kind,
    ...(fields.course === 'track' ? {} : { course: fields.course, ...(courseName === '' ? {} : { courseName }) }),
    ...(note === '' ? {} : { note }),
    ...(fields.leftOut ? { leftOut: true } : {}),
    ...(doubt === undefined ? {} : { doubt }),
  };
}

/** A typed mark as it is stored, if distance and time can be read. */
export function markIn(fields: MarkFields): Mark | undefined {
  const read = readMark(fields);
  if (!read) return undefined;
  const { doubt: _doubt, ...mark } = read;
  return mark;
}

/** A mark that is to be saved: read out, or everything about it that cannot be taken. */
export function readWholeMark(fields: MarkFields, today: string): Read<Mark> {
  const problems = markProblems(fields, today);
  const mark = markIn(fields);
  return mark && Object.keys(problems).length === 0 ? { ok: true, value: mark } : { ok: false, problems };
}

const FAR_AHEAD = '9999-12-31';

/** A goal that is typed as a mark is; its race stands in the note, and lies ahead: only that it has a day is asked of it. */
export function readGoal(fields: MarkFields): Read<Goal> {
  const read = readWholeMark(fields, FAR_AHEAD);
  if (!read.ok) return read;
  const { distanceM, timeS, date, note } = read.value;
  return { ok: true, value: { distanceM, timeS, date, ...(note === undefined ? {} : { race: note.slice(0, 80) }) } };
}
