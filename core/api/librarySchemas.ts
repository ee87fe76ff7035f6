/** Schemas of the library, for the API and for files. */
import Joi from 'joi';
import { trimmedString } from './check';
import { LEVERS, type LibraryChange, type LibrarySession, type Progression } from '../library/librarySession';
import { idSchema, intentSchema, note, shorthandSchema, titleSchema } from './schemas';

const progressionName = trimmedString().max(80).required().messages({
  'string.empty': 'A progression needs a name.',
  'string.max': 'A progression’s name can have 80 characters at most.',
});
const lever = Joi.string()
  .valid(...LEVERS)
  .required();

/** A library session's fields beside its text. */
export const aboutSession = {
  title: titleSchema,
  intent: intentSchema,
  purpose: note(500),
  season: note(500),
  easier: note(500),
  harder: note(500),
  tags: Joi.array()
    .items(trimmedString().min(1).max(30).messages({ 'string.max': 'A tag can have 30 characters at most.' }))
    .max(20)
    .unique(),
  favourite: Joi.boolean().valid(true),
  archived: Joi.boolean().valid(true),
};

export const librarySessionSchema = Joi.object<LibrarySession>({
  id: idSchema.required(),
  ...aboutSession,
  shorthand: shorthandSchema,
  tags: aboutSession.tags.required(),
});

const amountOf = Joi.number().strict().positive().max(100_000);
/** How it goes on after its last step. */
const goingOn = {
  chain: Joi.array()
    .items(Joi.object({ lever, by: amountOf, to: amountOf }))
    .max(12)
    .messages({ 'array.max': 'A progression can have 12 levers at most.' }),
  everyDays: Joi.number().strict().integer().min(1).max(200).messages({
    'number.base': 'From step to step it is a whole number of days, 1 to 200.',
    'number.integer': 'From step to step it is a whole number of days, 1 to 200.',
    'number.min': 'From step to step it is a whole number of days, 1 to 200.',
    'number.max': 'From step to step it is a whole number of days, 1 to 200.',
  }),
  round: Joi.number().strict().integer().min(1).max(50),
};

export const progressionSchema = Joi.object<Progression>({
  id: idSchema.required(),
  name: progressionName,
  lever,
  ...goingOn,
  stepIds: Joi.array()
    .items(idSchema)
    .min(1)
    .max(50)
    .required()
    .messages({ 'array.min': 'A progression needs a step.', 'array.max': 'A progression can have 50 steps at most.' }),
});

/** A progression in a file; its steps are ids of sessions in the same file. */
export const progressionInFile = Joi.object({
  name: progressionName,
  lever,
  ...goingOn,
  stepIds: Joi.array().items(Joi.string().max(60)).min(1).max(50).required(),
});

/** Several changes to the library at once. */
export const libraryChangeSchema = Joi.object<LibraryChange>({
  sessions: Joi.array().items(librarySessionSchema).max(5000).unique('id'),
  removedSessionIds: Joi.array().items(idSchema).max(5000),
  progressions: Joi.array().items(progressionSchema).max(1000).unique('id'),
  removedProgressionIds: Joi.array().items(idSchema).max(1000),
});
