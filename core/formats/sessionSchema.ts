import type Joi from 'joi';
import { sessionsFileSchema } from './sessionFile';

type JsonSchema = Record<string, unknown>;

/** Joi makes it (standardschema.dev), and does not say so in its types yet. */
type MakesJsonSchema = { '~standard': { jsonSchema: { input: (options: { target: 'draft-2020-12' }) => JsonSchema } } };

/** The JSON Schema of a file of sessions, made from what the app itself checks with; published as docs/sessions.schema.json. */
export function sessionsJsonSchema(): JsonSchema {
  const made = (sessionsFileSchema as Joi.Schema & MakesJsonSchema)['~standard'].jsonSchema.input({
    target: 'draft-2020-12',
  });
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Zest Lap sessions, version 1',
    description:
      'One or more training sessions, each as shorthand text, as a tree, or both; and progressions, whose steps are the ids of sessions in this file. Distances are in metres, times in seconds.',
    ...made,
  };
}
