/** What a timing loop or a pulse strap says in one line of JSON: see docs/timing-loop.md. */
import Joi from 'joi';
import { chipSchema } from './schemas';

/** A chip passed the loop at `atMs` (ms since 1970). `loopM` is where the loop lies on the lap, in metres past the finish line. */
export type LoopPassing = { type: 'passing'; chip: string; atMs: number; loopM?: number; seq?: number };
/** A heart rate, measured at `atMs`. */
export type LoopPulse = { type: 'pulse'; chip: string; atMs: number; beatsPerMin: number; seq?: number };
export type LoopLine = LoopPassing | LoopPulse;

const common = {
  chip: chipSchema.required(),
  atMs: Joi.number().strict().integer().min(0).max(8.64e15).required(),
  seq: Joi.number().strict().integer().min(0),
};

export const loopLineSchema = Joi.alternatives<LoopLine>().conditional('.type', {
  switch: [
    {
      is: 'pulse',
      then: Joi.object({
        type: Joi.string(),
        ...common,
        beatsPerMin: Joi.number().strict().min(30).max(250).required(),
      }),
    },
  ],
  otherwise: Joi.object({
    type: Joi.string().valid('passing').required(),
    ...common,
    loopM: Joi.number().strict().min(0).max(200_000),
  }),
}) as Joi.Schema<LoopLine>;
