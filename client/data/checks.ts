import type Joi from 'joi';
import { check } from '@core/api/check';
import { eventSchema, planSchema } from '@core/api/tracksideSchemas';
import type { WireCheck } from '../log/wireCheck';
/** What checks with the server's own schemas. It is all asked for from here, so that the validator is in one file of its own. */
export { readAthleteFile } from '@core/formats/athleteFile';
export { readSessions, writeSessionsFile, writeSessionText } from '@core/formats/sessionFile';
export { checkAthlete, readAbout } from './readAthlete';

/** Returns the sentence that is wrong with a value, by a schema of the wire; undefined if nothing is. */
const whyNot = <T>(schema: Joi.Schema<T>, value: T): string | undefined => {
  const checked = check(schema, value);
  return checked.ok ? undefined : checked.message;
};

/** Checks what the phone itself makes against the server's own schemas. */
export const WIRE_CHECK: WireCheck = {
  whyNotEvent: (event) => whyNot(eventSchema, event),
  whyNotPlan: (plan) => whyNot(planSchema, plan),
};
