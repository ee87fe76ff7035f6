/**
 * Schemas of everything that is sent, one definition each, used by forms, API and importers. Unknown fields are refused. Messages are for
 * the coach and name the path.
 */
import Joi from 'joi';
import { trimmedString } from './check';
import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';
import { MODEL_NAMES, type Nudge } from '../fitness/curve';
import { COURSES, MARK_KINDS, type Mark } from '../fitness/mark';
import { checkPaceBook } from '../paces/checkPaceBook';
import type { PaceBook, PaceEntry } from '../paces/paceBook';
import { SHIPPED_PACE_BOOKS } from '../paces/shippedPaceBooks';
import { LEANINGS } from '../fitness/shapePrior';
import { CHIP, STATUSES, type Athlete, type Goal, type Group, type SquadMember } from '../squad/athlete';
import type { SquadSettings } from '../squad/squadSettings';
import { INTENTS, type Intent, type MeantArc } from '../session/intent';
import type { HeatLimits } from '../squad/heat';
import { YOUNG_RANGE, type Club } from '../squad/club';
import { isTimeZone } from '../units/zoned';
import type { VolumeGuides } from '../squad/volumeGuides';
import type { SquadChange } from '../squad/change';
import { PROGRESS_BY, REST_ENDS, STRIDES_BY, USUAL_MANNERS, type PulseBand, type Schools } from '../squad/schools';

/** An athlete as sent. A missing tile name is suggested; a missing status means in training. */
export type AthleteInput = Omit<Athlete, 'tileName' | 'status'> & Partial<Pick<Athlete, 'tileName' | 'status'>>;
/** A session as sent and stored; its text may still be an unreadable draft. */
export type SessionInput = {
  title: string;
  date: string;
  shorthand: string;
  /** When it starts, HH:MM. */
  startTime?: string;
  /** What it is meant to do, if the coach has said so. */
  intent?: Intent;
  /** The effort it is meant to take, where that is not the usual one for its intent. */
  arc?: MeantArc;
  /** The session in the library that it was taken from. */
  libraryId?: string;
};

export const idSchema = Joi.string()
  .pattern(/^[0-9A-HJKMNP-TV-Z]{26}$/)
  .messages({ 'string.pattern.base': '{#label} is not an id this app made.' });

/** Apps from before the ids of the library were renamed still send the old name. */
export const OLD_LIBRARY_ID = ['bookId', 'libraryId'] as const;

export const dateSchema = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}$/)
  .custom((value: string, helpers) => (isValid(parseISO(value)) ? value : helpers.error('date.day')))
  .messages({
    'string.pattern.base': 'Write the date as year-month-day, like 2027-04-18.',
    'date.day': 'There is no such day in the calendar.',
    'string.empty': 'A date is needed.',
  });

export const nameSchema = trimmedString().max(80).messages({
  'string.empty': 'A name is needed.',
  'string.max': 'A name can have 80 characters at most.',
});

/** The id of a pace book: shipped, or the coach's own. */
const paceBookIdSchema = Joi.string()
  .pattern(new RegExp(`^(${SHIPPED_PACE_BOOKS.map(({ id }) => id).join('|')}|[0-9A-HJKMNP-TV-Z]{26})$`))
  .messages({ 'string.pattern.base': 'There is no such pace book.' });

/** A sentence or two of limited length. */
export const note = (most: number) =>
  trimmedString()
    .max(most)
    .messages({
      'string.max': `A note can have ${most} characters at most.`,
      'string.empty': 'Leave an empty note out.',
    });

const mark = {
  distanceM: Joi.number().strict().min(50).max(200_000).required().messages({
    'number.base': 'A mark needs a distance.',
    'number.min': 'A mark needs a distance of at least 50 m.',
    'number.max': 'A mark can be at most 200 km.',
  }),
  timeS: Joi.number().strict().positive().max(172_800).required().messages({
    'number.base': 'A mark needs a time.',
    'number.positive': 'A time has to be more than zero.',
    'number.max': 'A time can be two days at most.',
  }),
  date: dateSchema.required(),
};

const markSchema = Joi.object<Mark>({
  id: idSchema,
  ...mark,
  kind: Joi.string()
    .valid(...MARK_KINDS)
    .required(),
  course: Joi.string().valid(...COURSES),
  courseName: trimmedString().max(60).messages({
    'string.empty': 'Leave an empty course name out.',
    'string.max': 'The name of a course can have 60 characters at most.',
  }),
  note: note(200),
  leftOut: Joi.boolean().valid(true),
  runId: idSchema,
  alone: Joi.object({ timeS: mark.timeS, sd: Joi.number().strict().min(0.001).max(1).required() }),
});

/** The id a timing chip transmits. */
export const chipSchema = trimmedString().pattern(CHIP.pattern).messages({ 'string.pattern.base': CHIP.says });

const athlete = {
  name: nameSchema.required(),
  tileName: trimmedString().max(12).messages({
    'string.empty': 'A tile name is needed.',
    'string.max': 'A tile name can have 12 characters at most: it has to fit on a tile.',
  }),
  status: Joi.string().valid(...STATUSES),
  marks: Joi.array()
    .items(markSchema)
    .max(100)
    .required()
    .messages({ 'array.max': 'An athlete can have 100 marks at most.' }),
  bornYear: Joi.number().strict().integer().min(1900).max(2100).messages({
    'number.base': 'A year of birth is a number, like 2009.',
    'number.min': 'A year of birth is 1900 at the earliest.',
    'number.max': 'That year is too far off.',
    'number.integer': 'A year of birth is a whole number.',
  }),
  leaning: Joi.string().valid(...LEANINGS),
  runningSince: dateSchema,
  wellOn: dateSchema,
  weeklyKm: Joi.number().strict().min(0).max(400).messages({
    'number.base': 'Kilometres a week are a number, like 35.',
    'number.min': 'Kilometres a week cannot be below 0.',
    'number.max': 'Kilometres a week can be 400 at most.',
  }),
  groupId: idSchema,
  notes: note(2000),
  goal: Joi.object<Goal>({ ...mark, race: note(80) }),
  nudge: Joi.object<Nudge>(mark),
  paceBookId: paceBookIdSchema,
  chip: chipSchema,
  archived: Joi.boolean().valid(true),
};

export const athleteSchema = Joi.object<AthleteInput>(athlete);

export const groupSchema = Joi.object<Group>({
  id: idSchema.required(),
  name: trimmedString().max(40).required().messages({
    'string.empty': 'A group needs a name.',
    'string.max': 'A group’s name can have 40 characters at most.',
  }),
});

const guideSource = trimmedString().max(120).required();
const guideShare = { share: Joi.number().strict().min(0.1).max(2).required(), source: guideSource };
const guideWhom = Joi.object({
  kind: Joi.string().valid('age', 'experience', 'event', 'volume').required(),
  under: Joi.number().strict().integer().min(5).max(99),
  underWeeks: Joi.number().strict().integer().min(1).max(520),
  underKm: Joi.number().strict().integer().min(1).max(400),
  leaning: Joi.string().valid(...LEANINGS),
}).xor('under', 'underWeeks', 'underKm', 'leaning');

export const intentSchema = Joi.string().valid(...INTENTS);
export const effortSchema = Joi.number().strict().min(1).max(10);
export const arcSchema = Joi.object<MeantArc>({
  first: effortSchema.required(),
  middle: effortSchema.required(),
  last: effortSchema.required(),
});

const guidesSchema = Joi.object<VolumeGuides>({
  most: Joi.array()
    .items(
      Joi.object({
        intent: intentSchema.required(),
        mostS: Joi.number().strict().min(60).max(36_000),
        mostM: Joi.number().strict().min(100).max(100_000),
        source: guideSource,
      }).xor('mostS', 'mostM'),
    )
    .max(INTENTS.length)
    .unique('intent')
    .required(),
  shares: Joi.array()
    .items(Joi.object({ for: guideWhom.required(), ...guideShare }))
    .max(30)
    .required(),
});

const heatC = (what: string) =>
  Joi.number()
    .strict()
    .min(15)
    .max(60)
    .required()
    .messages({ '*': `${what} has to be between 15 and 60 °C.` });

/** Heat index from which the club takes care, and from which it does nothing hard. */
const heatLimitsSchema = Joi.object<HeatLimits>({
  careC: heatC('The limit for care'),
  hardC: heatC('The limit for hard work'),
}).custom((limits: HeatLimits, helpers) =>
  limits.careC <= limits.hardC
    ? limits
    : helpers.message({ custom: 'The limit for care cannot be above the one for hard work.' }),
);

const beats = (what: string) =>
  Joi.number()
    .strict()
    .integer()
    .min(60)
    .max(230)
    .required()
    .messages({ '*': `${what} of the pulse is a whole number from 60 to 230.` });

const pulseBandSchema = Joi.object<PulseBand>({ from: beats('The lower end'), to: beats('The upper end') }).custom(
  (band: PulseBand, helpers) =>
    band.from <= band.to
      ? band
      : helpers.message({ custom: 'The lower end of the pulse cannot be above the upper one.' }),
);

const schoolsSchema = Joi.object<Schools>({
  progressBy: Joi.string().valid(...PROGRESS_BY),
  manner: Joi.string()
    .valid(...USUAL_MANNERS)
    .required(),
  restEnds: Joi.string()
    .valid(...REST_ENDS)
    .required(),
  pulse: pulseBandSchema.required(),
  pulseByIntent: Joi.object(Object.fromEntries(INTENTS.map((intent) => [intent, pulseBandSchema]))),
  stridesBy: Joi.string()
    .valid(...STRIDES_BY)
    .required(),
});

const clubSchema = Joi.object<Club>({
  timeZone: Joi.string()
    .max(64)
    .custom((name: string, helpers) => (isTimeZone(name) ? name : helpers.error('zone.unknown')))
    .messages({ 'zone.unknown': 'There is no time zone of this name.' }),
  weekStart: Joi.string().valid('monday', 'sunday'),
  heatMonths: Joi.array().items(Joi.number().strict().integer().min(1).max(12)).max(12).unique(),
  youngUnder: Joi.number().strict().integer().min(YOUNG_RANGE.min).max(YOUNG_RANGE.max),
});

/** An athlete as stored: with an id, and a name for the tile. */
export const squadMemberSchema = Joi.object<SquadMember>({
  id: idSchema.required(),
  ...athlete,
  tileName: athlete.tileName.required(),
  status: athlete.status.required(),
});

/** What holds for the whole squad, as stored. */
export const squadSettingsSchema = Joi.object<SquadSettings>({
  paceBookId: paceBookIdSchema.required(),
  groups: Joi.array().items(groupSchema).required(),
  guides: guidesSchema,
  heat: heatLimitsSchema,
  schools: schoolsSchema,
  club: clubSchema,
});

/** Several changes to the squad at once, all or nothing. */
export const squadChangeSchema = Joi.object<SquadChange>({
  paceBookId: paceBookIdSchema,
  guides: guidesSchema.allow(null),
  heat: heatLimitsSchema.allow(null),
  schools: schoolsSchema.allow(null),
  club: clubSchema.allow(null),
  groups: Joi.array().items(groupSchema).max(60).unique('id'),
  athletes: Joi.array()
    .items(Joi.object({ id: idSchema.required(), ...athlete }))
    .max(5000)
    .unique('id'),
  removedIds: Joi.array().items(idSchema).max(5000),
});

const shareOfSpeed = Joi.number().strict().min(0.2).max(2).required();

const basisSchema = Joi.alternatives().conditional('.kind', {
  switch: [
    {
      is: 'race',
      then: Joi.object({ kind: Joi.string(), distanceM: Joi.number().strict().min(50).max(200_000).required() }),
    },
    {
      is: 'held',
      then: Joi.object({ kind: Joi.string(), durationS: Joi.number().strict().min(10).max(36_000).required() }),
    },
    {
      is: 'share',
      then: Joi.object({
        kind: Joi.string(),
        of: Joi.string().max(20).required(),
        share: shareOfSpeed,
        atMost: Joi.object({ of: Joi.string().max(20).required(), share: shareOfSpeed }),
      }),
    },
    {
      is: 'offset',
      then: Joi.object({
        kind: Joi.string(),
        of: Joi.string().max(20).required(),
        offsetS: Joi.number().strict().min(-120).max(600).required(),
        perM: Joi.number().strict().min(100).max(2000).required(),
      }),
    },
  ],
  otherwise: Joi.object({
    kind: Joi.string().valid('effort').required(),
    effort: Joi.number().strict().min(1).max(10).required(),
  }),
});

/** A pace book as sent; its id is in the URL. */
export type PaceBookInput = Omit<PaceBook, 'id'>;

export const paceBookSchema = Joi.object<PaceBookInput>({
  name: trimmedString().max(60).required().messages({
    'string.empty': 'A pace book needs a name.',
    'string.max': 'A pace book’s name can have 60 characters at most.',
  }),
  model: Joi.string()
    .valid(...MODEL_NAMES)
    .required(),
  entries: Joi.array()
    .items(
      Joi.object<PaceEntry>({
        name: Joi.string().max(20).required(),
        short: trimmedString().max(4).required().messages({
          'string.empty': 'A pace needs a short name.',
          'string.max': 'A short name can have 4 characters at most.',
        }),
        tolerance: Joi.number().strict().min(0).max(0.2).required(),
        basis: basisSchema.required(),
      }),
    )
    .max(60)
    .required()
    .custom((entries: PaceEntry[], helpers) => {
      const [problem] = checkPaceBook({ entries });
      return problem ? helpers.message({ custom: problem.message }) : entries;
    }),
});

export const titleSchema = trimmedString().max(120).required().messages({
  'string.empty': 'A title is needed.',
  'string.max': 'A title can have 120 characters at most.',
});

/** A session's text; may still be an unreadable draft. */
export const shorthandSchema = Joi.string().allow('').max(20_000).required().messages({
  'string.max': 'A session can have 20 000 characters at most.',
});

export const timeOfDaySchema = Joi.string()
  .pattern(/^([01]\d|2[0-3]):[0-5]\d$/)
  .messages({ 'string.pattern.base': 'Write the time of day as hours and minutes, like 17:45.' });

export const sessionSchema = Joi.object<SessionInput>({
  title: titleSchema,
  date: dateSchema.required(),
  shorthand: shorthandSchema,
  startTime: timeOfDaySchema,
  intent: intentSchema,
  arc: arcSchema,
  libraryId: idSchema,
}).rename(...OLD_LIBRARY_ID);
