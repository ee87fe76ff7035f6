import { check } from '@core/formats/check';
import { athleteSchema, type AthleteInput } from '@core/formats/schemas';
import { distanceProblem, readMark, timeProblem, type AthleteFields, type FieldProblem } from './athleteForm';

/**
 * The athlete as typed, checked with the same schema as on the server; or every field that cannot be taken.
 * A module of its own, loaded when an athlete is saved: the schemas bring a validator that no other screen needs.
 */
export function readAthlete(
  fields: AthleteFields,
): { ok: true; athlete: AthleteInput } | { ok: false; problems: FieldProblem[] } {
  const problems = fields.marks.flatMap((mark, i) => {
    const distance = distanceProblem(mark);
    const time = timeProblem(mark);
    return [
      ...(distance === undefined ? [] : [{ field: `marks.${i}.distance`, message: distance }]),
      ...(time === undefined ? [] : [{ field: `marks.${i}.time`, message: time }]),
    ];
  });
  const marks = fields.marks.flatMap((mark) => {
    const read = readMark(mark);
    return read ? [{ distanceM: read.distanceM, timeS: read.timeS, date: mark.date, kind: mark.kind }] : [];
  });
  const checked = check(athleteSchema, { name: fields.name, marks });
  // With an unreadable mark left out, places in the list no longer agree: only the name is judged then.
  if (!checked.ok && (problems.length === 0 || checked.field === 'name'))
    problems.push({
      field: checked.field
        .replace(/\[(\d+)\]/g, '.$1')
        .replace('distanceM', 'distance')
        .replace('timeS', 'time'),
      message: checked.message,
    });
  return problems.length > 0 || !checked.ok ? { ok: false, problems } : { ok: true, athlete: checked.value };
}
