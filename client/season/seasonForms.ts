import { ulid } from 'ulid';
import type { AthleteException, DaysOff, RaceWeight, SeasonRace } from '@core/season/season';
import { isDate } from '@core/units/dayNumber';
import { known } from '@core/units/known';
import type { Problems, Read } from '../ui/form/useReadForm';

/** A race as typed; its id and entries are kept beside. */
export type RaceFields = { name: string; date: string; startTime: string; place: string; weight: RaceWeight };
/** Days from the first to the last, both included. */
export type SpanFields = { from: string; to: string };
export type OffFields = SpanFields & { reason: string };
export type ExceptionFields = SpanFields & { athleteId: string; kind: AthleteException['kind'] };

const LONGEST = 80;

const tooLong = (what: string, text: string) =>
  text.trim().length > LONGEST ? `${what} can have ${LONGEST} characters at most.` : undefined;

/** What was read, if nothing is wrong with it. */
function unless<Value>(problems: Record<string, string | undefined>, value: Value): Read<Value> {
  const found = known<Problems>(problems);
  return Object.keys(found).length === 0 ? { ok: true, value } : { ok: false, problems: found };
}

export const toRaceFields = (race: SeasonRace | undefined): RaceFields => ({
  name: race?.name ?? '',
  date: race?.date ?? '',
  startTime: race?.startTime ?? '',
  place: race?.place ?? '',
  weight: race?.weight ?? 'B',
});

/** Reads a typed race. @param before the race as it is, whose taper and entries stay. */
export function readRace(fields: RaceFields, before: SeasonRace | undefined): Read<SeasonRace> {
  const { place: _place, startTime: _startTime, ...rest } = before ?? { id: ulid() };
  const [name, place] = [fields.name.trim(), fields.place.trim()];
  return unless(
    {
      name: name === '' ? 'A race needs a name.' : tooLong('A name', name),
      date: isDate(fields.date) ? undefined : 'A day is needed.',
      place: tooLong('The place', place),
    },
    {
      ...rest,
      name,
      date: fields.date,
      weight: fields.weight,
      ...(place === '' ? {} : { place }),
      ...(fields.startTime === '' ? {} : { startTime: fields.startTime }),
    },
  );
}

const spanProblems = ({ from, to }: SpanFields) => ({
  from: isDate(from) ? undefined : 'The first day is needed.',
  to: !isDate(to) ? 'The last day is needed.' : to < from ? 'The last day is before the first one.' : undefined,
});

/** Reads typed days on which nobody trains. */
export const readDaysOff = ({ from, to, reason }: OffFields): Read<DaysOff> =>
  unless(
    { ...spanProblems({ from, to }), reason: tooLong('What they are for', reason) },
    { id: ulid(), from, to, reason: reason.trim() || 'days off' },
  );

/** Reads what is noted of one athlete for some days. */
export const readException = ({ athleteId, kind, from, to }: ExceptionFields): Read<AthleteException> =>
  unless(
    { ...spanProblems({ from, to }), athleteId: athleteId === '' ? 'Say who it is about.' : undefined },
    { id: ulid(), athleteId, kind, from, to },
  );
