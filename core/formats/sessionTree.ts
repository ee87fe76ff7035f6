/** The session tree at the edge: what files and other programs may send. Its JSON Schema is made from this. */
import Joi from 'joi';
import { MANNERS, ROLES, type SessionTree } from '../session/session';
import { MAX_LEGS } from '../session/treeTotals';

const positive = (most: number) => Joi.number().strict().positive().max(most);
const distanceM = positive(100_000).required();
const durationS = positive(28_800).required();
const mile = Joi.string().valid('mi');
const kind = (name: string) => Joi.string().valid(name).required();

/** One of several shapes, told apart by `kind`. */
const byKind = (shapes: Record<string, Joi.SchemaMap>) =>
  Joi.alternatives()
    .conditional('.kind', {
      switch: Object.entries(shapes).map(([name, shape]) => ({
        is: name,
        then: Joi.object({ kind: kind(name), ...shape }),
      })),
    })
    .messages({ 'alternatives.any': `{#label} is of no known kind: ${Object.keys(shapes).join(', ')}.` });

const amount = byKind({
  distance: { distanceM, leastM: positive(100_000), unit: mile },
  duration: { durationS, leastS: positive(28_800) },
});

const paceName = Joi.string().max(20).required();
const pace = byKind({
  named: {
    name: paceName,
    goal: Joi.boolean().required(),
    offset: Joi.object({
      offsetS: Joi.number().strict().min(-600).max(600).required(),
      perM: positive(50_000).required(),
    }),
  },
  share: { percent: Joi.number().strict().min(20).max(200).required(), name: paceName },
  absolute: { timeS: positive(28_800).required(), perM: positive(50_000).required() },
  effort: {
    min: Joi.number().strict().min(1).max(10).required(),
    max: Joi.number().strict().min(1).max(10).required(),
  },
});

const times = Joi.number().strict().integer().min(1).max(MAX_LEGS).required();
const count = byKind({ fixed: { n: times }, range: { min: times, max: times }, open: {} });

const recovery = Joi.object({
  amount: byKind({
    time: { minS: durationS, maxS: durationS },
    distance: { distanceM, unit: mile },
    equal: {},
    half: {},
    share: { percent: positive(1000).required() },
    ready: {},
  }).required(),
  manner: Joi.string().valid(...MANNERS),
  pace,
});

const note = Joi.string()
  .allow('')
  .pattern(/^[^"\n]*$/)
  .max(500);

const item = Joi.object({
  count: count.required(),
  body: byKind({
    rep: {
      amounts: Joi.array().items(amount).min(1).max(MAX_LEGS).required(),
      sequence: Joi.string().valid('ladder', 'cutDown').required(),
      free: Joi.boolean().required(),
      hill: Joi.boolean().valid(true),
      pace: Joi.object({ from: pace.required(), to: pace, band: pace }).oxor('to', 'band'),
      note,
    },
    set: { items: Joi.array().items(Joi.link('#item')).min(1).max(MAX_LEGS).required() },
    drills: { note },
  }).required(),
  recovery,
});

/** A session as a tree. */
export const sessionTreeSchema = Joi.object<SessionTree>({
  lines: Joi.array()
    .items(
      Joi.object({
        role: Joi.string()
          .valid(...ROLES)
          .required(),
        items: Joi.array().items(Joi.link('#item')).min(1).max(MAX_LEGS).required(),
      }),
    )
    .min(1)
    .max(MAX_LEGS)
    .required(),
}).shared(item.id('item'));
