/**
 * What is let in at the edge, one definition each: forms, the API and importers check with these. Fields that are not
 * named are refused. Messages are for the coach, with the path in front.
 */
import Joi from 'joi';
import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';
import { MARK_KINDS, type Mark } from '../fitness/mark';
import type { RunEvent } from '../trackside/events';
import type { Plan } from '../trackside/plan';

/** An athlete as sent and stored. */
export type AthleteInput = { name: string; marks: Mark[] };
/** A session as sent and stored: its text may still be a draft that cannot be read. */
export type SessionInput = { title: string; date: string; shorthand: string };

export const idSchema = Joi.string()
  .pattern(/^[0-9A-HJKMNP-TV-Z]{26}$/)
  .messages({ 'string.pattern.base': '{#label} is not an id this app made.' });

const dateSchema = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}$/)
  .custom((value: string, helpers) => (isValid(parseISO(value)) ? value : helpers.error('date.day')))
  .messages({
    'string.pattern.base': 'Write the date as year-month-day, like 2027-04-18.',
    'date.day': 'There is no such day in the calendar.',
    'string.empty': 'A date is needed.',
  });

const nameSchema = Joi.string().trim().max(80).messages({
  'string.empty': 'A name is needed.',
  'string.max': 'A name can have 80 characters at most.',
});

const markSchema = Joi.object<Mark>({
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
  kind: Joi.string()
    .valid(...MARK_KINDS)
    .required(),
});

export const athleteSchema = Joi.object<AthleteInput>({
  name: nameSchema.required(),
  marks: Joi.array().items(markSchema).min(1).max(100).required().messages({
    'array.min': 'At least one mark is needed: a race, a trial or an estimate.',
    'array.max': 'An athlete can have 100 marks at most.',
  }),
});

export const sessionSchema = Joi.object<SessionInput>({
  title: Joi.string().trim().max(120).required().messages({
    'string.empty': 'A title is needed.',
    'string.max': 'A title can have 120 characters at most.',
  }),
  date: dateSchema.required(),
  shorthand: Joi.string().allow('').max(20_000).required().messages({
    'string.max': 'A session can have 20 000 characters at most.',
  }),
});

const lengthM = Joi.number().strict().positive().max(200_000);
const seconds = Joi.number().strict().min(0).max(172_800);
const shortText = Joi.string().allow('').max(500);

/** A plan, as a phone lays it out when a session is taken to the track. */
export const planSchema = Joi.object<Plan>({
  id: idSchema.required(),
  sessionId: idSchema.required(),
  title: Joi.string().max(120).required(),
  date: dateSchema.required(),
  shorthand: Joi.string().max(20_000).required(),
  reps: Joi.array()
    .items(
      Joi.object({
        role: Joi.string().valid('main', 'finish').required(),
        distanceM: lengthM,
        startM: Joi.number().strict().min(0).max(200_000),
        durationS: seconds,
        pace: shortText,
        note: shortText,
        callM: Joi.array().items(lengthM).max(600).required(),
        recovery: shortText,
        runsOn: Joi.boolean().valid(true),
      }),
    )
    .min(1)
    .max(2000)
    .required()
    .messages({ 'array.min': 'There is no rep to time in this session.' }),
  athletes: Joi.array()
    .items(
      Joi.object({
        athleteId: idSchema.required(),
        name: nameSchema.required(),
        tileName: nameSchema.required(),
        targets: Joi.array()
          .items(Joi.object({ targetS: seconds, expectedM: lengthM, recoveryS: seconds }))
          .max(2000)
          .required(),
      }),
    )
    .min(1)
    .max(200)
    .required()
    .messages({ 'array.min': 'There is nobody in this session.' }),
});

const repIndex = Joi.number().strict().integer().min(0).max(1999);
const stamp = {
  id: idSchema.required(),
  runId: idSchema.required(),
  deviceId: idSchema.required(),
  atMs: Joi.number().strict().integer().min(0).max(8.64e15).required(),
};

/** One event from the track. */
export const eventSchema: Joi.Schema<RunEvent> = Joi.alternatives<RunEvent>().conditional('.type', {
  switch: [
    {
      is: 'started',
      then: Joi.object({
        ...stamp,
        type: Joi.string(),
        repIndex: repIndex.required(),
        athleteIds: Joi.array().items(idSchema).min(1).max(200).required(),
      }),
    },
    {
      is: 'passed',
      then: Joi.object({
        ...stamp,
        type: Joi.string(),
        athleteId: idSchema.required(),
        repIndex: repIndex.required(),
        atM: lengthM.required(),
      }),
    },
    { is: 'undone', then: Joi.object({ ...stamp, type: Joi.string(), eventId: idSchema.required() }) },
  ],
  otherwise: Joi.object({ ...stamp, type: Joi.string().valid('ended').required() }),
}) as Joi.Schema<RunEvent>;
