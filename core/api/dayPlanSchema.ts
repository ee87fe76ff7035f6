/** Schemas of day plans and venues. */
import { CARE_CHOICES } from '../run/events';
import Joi from 'joi';
import { trimmedString } from './check';
import { ROUNDINGS, type DayPlan } from '../planning/dayPlan';
import { AIMS } from '../targets/targetsFor';
import { checkVenue, MOST_MARKS, MOST_SLOPE_PCT, type OwnVenue } from '../venue/ownVenue';
import { VENUES } from '../venue/venue';
import { idSchema, OLD_LIBRARY_ID, shorthandSchema, timeOfDaySchema } from './schemas';

const name = (what: string) =>
  trimmedString()
    .max(40)
    .required()
    .messages({
      'string.empty': `${what} needs a name.`,
      'string.max': `The name of ${what.toLowerCase()} can have 40 characters at most.`,
    });

/** One of our ids, or that of the group of those in none. */
const groupId = Joi.string()
  .pattern(/^([0-9A-HJKMNP-TV-Z]{26}|rest)$/)
  .messages({ 'string.pattern.base': 'There is no such group.' });

const whom = Joi.alternatives().conditional('.kind', {
  switch: [
    { is: 'all', then: Joi.object({ kind: Joi.string() }) },
    { is: 'group', then: Joi.object({ kind: Joi.string(), groupId: groupId.required() }) },
  ],
  otherwise: Joi.object({ kind: Joi.string().valid('athlete').required(), athleteId: idSchema.required() }),
});

const number = (least: number, most: number, message: string) =>
  Joi.number().strict().min(least).max(most).required().messages({
    'number.base': message,
    'number.min': message,
    'number.max': message,
    'number.integer': message,
  });
const kind = Joi.string();
const setting = Joi.alternatives().conditional('.kind', {
  switch: [
    {
      is: 'count',
      then: Joi.object({ kind, n: number(1, 100, 'How often has to be a whole number from 1 to 100.').integer() }),
    },
    {
      is: 'length',
      then: Joi.object({ kind, length: number(1, 100_000, 'A length has to be more than nothing.') }),
    },
    {
      is: 'recovery',
      then: Joi.object({ kind, durationS: number(0, 3600, 'A recovery can be from nothing to an hour.') }),
    },
    {
      is: 'jog',
      then: Joi.object({ kind, distanceM: number(10, 5000, 'A jog can be from 10 m to 5 km.') }),
    },
    {
      is: 'pace',
      then: Joi.object({ kind, share: number(0.5, 1.2, 'A pace can be from half as fast to a fifth faster.') }),
    },
    {
      is: 'aim',
      then: Joi.object({
        kind,
        aim: Joi.string()
          .valid(...AIMS)
          .required(),
      }),
    },
  ],
  otherwise: Joi.object({
    kind: Joi.string().valid('target').required(),
    targetS: number(1, 36_000, 'A target has to be between a second and ten hours.'),
    rep: Joi.number().strict().integer().min(0).max(499),
  }),
});
const ofItem = {
  path: Joi.array().items(Joi.number().strict().integer().min(0).max(500)).min(2).max(12),
  wrote: Joi.string().max(2000).allow(''),
};
export const changeSchema = Joi.object({ whom: whom.required(), ...ofItem, set: setting.required() }).and(
  'path',
  'wrote',
);

const group = Joi.object({
  id: idSchema.required(),
  name: name('A group'),
  athleteIds: Joi.array().items(idSchema).max(200).unique().required(),
  leaderId: idSchema,
  lane: Joi.number().strict().integer().min(1).max(12),
  startGapS: Joi.number().strict().min(0).max(3600).messages({
    'number.min': 'A group cannot start before the first.',
    'number.max': 'A group can start an hour after the first at most.',
  }),
  version: shorthandSchema.optional(),
  libraryId: idSchema,
}).rename(...OLD_LIBRARY_ID);

const venueId = Joi.string()
  .pattern(new RegExp(`^(${VENUES.map(({ id }) => id).join('|')}|[0-9A-HJKMNP-TV-Z]{26})$`))
  .messages({ 'string.pattern.base': 'There is no such place.' });

/** Everything decided for one session on one day. */
export const dayPlanSchema = Joi.object<DayPlan>({
  venueId,
  rounding: Joi.number().valid(...ROUNDINGS),
  toleranceTimes: Joi.number().strict().min(0.25).max(5),
  taking: Joi.object().pattern(idSchema, Joi.boolean()).max(5000),
  care: Joi.object()
    .pattern(idSchema, Joi.string().valid(...CARE_CHOICES))
    .max(5000),
  groups: Joi.array()
    .items(group)
    .max(30)
    .unique('id')
    .messages({ 'array.max': 'There can be 30 groups at most.' })
    .custom((groups: { athleteIds: string[] }[], helpers) => {
      const ids = groups.flatMap(({ athleteIds }) => athleteIds);
      return new Set(ids).size === ids.length
        ? groups
        : helpers.message({ custom: 'Somebody is in two groups. Each can be in one only.' });
    }),
  changes: Joi.array().items(changeSchema).max(2000),
  windowS: Joi.number().strict().min(0.5).max(30),
  busy: Joi.array()
    .items(
      Joi.object({
        from: timeOfDaySchema.required(),
        to: timeOfDaySchema.required(),
        who: trimmedString().max(60).allow('').required(),
      }).custom((busy: { from: string; to: string }, helpers) =>
        busy.from < busy.to
          ? busy
          : helpers.message({ custom: 'The track cannot be busy until before it began to be.' }),
      ),
    )
    .max(20),
});

/** A venue as sent; its id is in the URL. */
export type VenueInput = Omit<OwnVenue, 'id'>;

export const venueSchema = Joi.object<VenueInput>({
  name: name('A place'),
  shape: Joi.string().valid('lap', 'there-and-back').required(),
  lengthM: Joi.number().strict().required().messages({ 'number.base': 'A place needs a length in metres.' }),
  slopePct: Joi.number()
    .strict()
    .min(-MOST_SLOPE_PCT)
    .max(MOST_SLOPE_PCT)
    .messages({ '*': `A slope is a number of metres in a hundred, up to ${MOST_SLOPE_PCT}.` }),
  marks: Joi.array()
    .items(Joi.object({ atM: Joi.number().strict().required(), name: name('A mark') }))
    .max(MOST_MARKS)
    .required()
    .messages({ 'array.max': `A place can have ${MOST_MARKS} marks at most.` }),
}).custom((venue: VenueInput, helpers) => {
  const [problem] = checkVenue(venue);
  return problem ? helpers.message({ custom: problem.message }) : venue;
});
