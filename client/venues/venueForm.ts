/** A place as it is typed, and what is wrong with it. */
import { known } from '@core/units/known';
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

const SLOPE_PROBLEM = `Write the slope in metres up in a hundred, up to ${MOST_SLOPE_PCT}, or leave it empty.`;

/** Undefined where nothing is typed; NaN where it is no slope. */
function slopeIn(text: string): number | undefined {
  const typed = text.trim().replace(',', '.').replace('−', '-').replace(/\s*%$/, '');
  if (typed === '') return undefined;
  const slope = /^-?\d+(\.\d+)?$/.test(typed) ? Number(typed) : Number.NaN;
  return Math.abs(slope) <= MOST_SLOPE_PCT ? slope : Number.NaN;
}

/** What is wrong with a mark: with where it is, with its name. */
export type MarkProblem = { at?: string; name?: string };

type PlaceProblem = { name?: string; length?: string; slope?: string };
/** What is wrong with a place and with each of its marks. */
export type VenueProblems = PlaceProblem & { marks: MarkProblem[] };

export type ReadVenue = { ok: true; venue: Omit<OwnVenue, 'id'> } | ({ ok: false } & VenueProblems);

/** Reads what is typed; where it cannot be, a sentence at each field that is wrong. */
export function readVenue(form: VenueForm): ReadVenue {
  const name = form.name.trim();
  const lengthM = metres(form.lengthM);
  const slopePct = slopeIn(form.slope);
  const slopeProblem = Number.isNaN(slopePct) ? SLOPE_PROBLEM : undefined;
  const marks = form.marks.map(({ atM, name: mark }) => ({ atM: metres(atM), name: mark.trim() }));
  const markProblems = marks.map(({ atM, name: mark }) =>
    known<MarkProblem>({
      at: atM === undefined ? 'Write the place in metres from the start.' : undefined,
      name: mark === '' ? 'A mark needs a name.' : undefined,
    }),
  );
  const nameProblem = name === '' ? 'A place needs a name.' : undefined;
  let lengthProblem: string | undefined =
    lengthM === undefined ? 'Write the length in metres, like 800 or 402.34.' : undefined;
  const whole = marks.flatMap(({ atM, name: mark }, i) =>
    atM === undefined || mark === '' ? [] : [{ atM, name: mark, i }],
  );
  if (lengthM !== undefined)
    for (const { mark, of, message } of checkVenue({ lengthM, shape: form.shape, marks: whole })) {
      const wrong = mark === undefined ? undefined : markProblems[whole[mark]?.i ?? -1];
      if (wrong && of) wrong[of] ??= message;
      else lengthProblem = message;
    }
  const problems = known<PlaceProblem>({ name: nameProblem, length: lengthProblem, slope: slopeProblem });
  if ([problems, ...markProblems].some((found) => Object.keys(found).length > 0))
    return { ok: false, marks: markProblems, ...problems };
  return {
    ok: true,
    venue: {
      name: name.slice(0, 40),
      shape: form.shape,
      lengthM: lengthM ?? 0,
      ...(slopePct === undefined ? {} : { slopePct }),
      marks: marks.map((mark) => ({ atM: mark.atM ?? 0, name: mark.name.slice(0, 40) })),
    },
  };
}
