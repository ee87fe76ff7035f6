/** A place as it is typed, and what is wrong with it. */
import { checkVenue, MOST_SLOPE_PCT, type OwnVenue } from '@core/venue/ownVenue';

export type TypedMark = { atM: string; name: string };
export type VenueForm = { name: string; shape: OwnVenue['shape']; lengthM: string; slope: string; marks: TypedMark[] };

export const formOf = ({ name, shape, lengthM, slopePct, marks }: OwnVenue): VenueForm => ({
  name,
  shape,
  lengthM: String(lengthM),
  slope: slopePct === undefined ? '' : String(slopePct),
  marks: marks.map(({ atM, name: mark }) => ({ atM: String(atM), name: mark })),
});

const metres = (text: string): number | undefined => {
  const typed = text.trim().replace(',', '.').replace(/\s*m$/, '');
  return /^\d+(\.\d+)?$/.test(typed) ? Number(typed) : undefined;
};

const SLOPE_SAYS = `Write the slope in metres up in a hundred, up to ${MOST_SLOPE_PCT}, or leave it empty.`;

/** Undefined where nothing is typed; NaN where it is no slope. */
function slopeIn(text: string): number | undefined {
  const typed = text.trim().replace(',', '.').replace('−', '-').replace(/\s*%$/, '');
  if (typed === '') return undefined;
  const slope = /^-?\d+(\.\d+)?$/.test(typed) ? Number(typed) : Number.NaN;
  return Math.abs(slope) <= MOST_SLOPE_PCT ? slope : Number.NaN;
}

export type ReadVenue =
  | { ok: true; venue: Omit<OwnVenue, 'id'> }
  | { ok: false; name?: string; length?: string; slope?: string; marks: (string | undefined)[] };

/** Reads what is typed; where it cannot be, a sentence at each field that is wrong. */
export function readVenue(form: VenueForm): ReadVenue {
  const name = form.name.trim();
  const lengthM = metres(form.lengthM);
  const slopePct = slopeIn(form.slope);
  const slopeSays = Number.isNaN(slopePct) ? SLOPE_SAYS : undefined;
  const marks = form.marks.map(({ atM, name: mark }) => ({ atM: metres(atM), name: mark.trim() }));
  const says: (string | undefined)[] = marks.map(({ atM, name: mark }) =>
    atM === undefined ? 'Write the place in metres from the start.' : mark === '' ? 'A mark needs a name.' : undefined,
  );
  const nameSays = name === '' ? 'A place needs a name.' : undefined;
  let lengthSays: string | undefined =
    lengthM === undefined ? 'Write the length in metres, like 800 or 402.34.' : undefined;
  if (lengthM !== undefined && !says.some(Boolean))
    for (const { mark, message } of checkVenue({
      lengthM,
      shape: form.shape,
      marks: marks.map((one) => ({ atM: one.atM ?? 0, name: one.name })),
    })) {
      if (mark === undefined) lengthSays = message;
      else says[mark] ??= message;
    }
  if (
    nameSays !== undefined ||
    lengthSays !== undefined ||
    slopeSays !== undefined ||
    says.some((one) => one !== undefined)
  )
    return {
      ok: false,
      marks: says,
      ...(nameSays === undefined ? {} : { name: nameSays }),
      ...(lengthSays === undefined ? {} : { length: lengthSays }),
      ...(slopeSays === undefined ? {} : { slope: slopeSays }),
    };
  return {
    ok: true,
    venue: {
      name: name.slice(0, 40),
      shape: form.shape,
      lengthM: lengthM ?? 0,
      ...(slopePct === undefined ? {} : { slopePct }),
      marks: marks.map((one) => ({ atM: one.atM ?? 0, name: one.name.slice(0, 40) })),
    },
  };
}
