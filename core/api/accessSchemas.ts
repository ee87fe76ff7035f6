/** Schemas of what a phone sends to be let in. */
import Joi from 'joi';
import { idSchema } from './schemas';

export const passphraseSchema = Joi.object<{ passphrase: string }>({ passphrase: Joi.string().max(400).required() });
export const joinSchema = Joi.object<{ code: string; deviceId: string }>({
  code: Joi.string().max(40).required(),
  deviceId: idSchema.required(),
});
export const makeCodeSchema = Joi.object<{ runId: string }>({ runId: idSchema.required() });
