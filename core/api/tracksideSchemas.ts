/** Schemas of what a phone sends from the track: the plan it took there, and every kind of event. */
import Joi from 'joi';
import { trimmedString } from './check';
import {
  CARE_CHOICES,
  FLAGS,
  NEXT_DAYS,
  NEXT_STEPS,
  PRESENCES,
  START_MODES,
  STOP_REASONS,
  SURFACES,
  WINDS,
  type RunEvent,
} from '../run/events';
import { whyTooLarge } from '../run/limits';
import type { Plan, PlannedAthlete, PlannedGroup } from '../run/plan';
import {
  arcSchema,
  chipSchema,
  dateSchema,
  effortSchema,
  idSchema,
  OLD_LIBRARY_ID,
  intentSchema,
  nameSchema,
  note,
} from './schemas';

const lengthM = Joi.number().strict().positive().max(200_000);
const seconds = Joi.number().strict().min(0).max(172_800);
const share = Joi.number().strict().min(0).max(0.5);
const shortText = Joi.string().allow('').max(500);
const yes = Joi.boolean().valid(true);

const athleteSchema = Joi.object<PlannedAthlete>({
  athleteId: idSchema.required(),
  name: nameSchema.required(),
  tileName: nameSchema.required(),
  targets: Joi.array()
    .items(
      Joi.object({
        targetS: seconds,
        tolerance: share,
        isBand: Joi.boolean().valid(true),
        expectedM: lengthM,
        recoveryS: seconds,
        mostRecoveryS: seconds,
        isLeftOut: yes,
      }),
    )
    .max(2000)
    .required(),
  chip: chipSchema,
  reserve: Joi.object({
    criticalMps: Joi.number().strict().min(0.5).max(15).required(),
    reserveM: Joi.number().strict().min(1).max(5000).required(),
  }),
  takeCare: Joi.boolean().valid(true),
  telling: Joi.object({
    a: Joi.number().strict().min(-10).max(10).required(),
    g: Joi.number().strict().min(-2).max(4).required(),
  }),
});

/** A group's id: one of ours, or a name for everyone or for those in no group. */
const groupIdSchema = Joi.string()
  .pattern(/^([0-9A-HJKMNP-TV-Z]{26}|all|rest)$/)
  .messages({ 'string.pattern.base': 'There is no such group.' });

const groupSchema = Joi.object<PlannedGroup>({
  id: groupIdSchema.required(),
  name: trimmedString().max(40).required(),
  lane: Joi.number().strict().integer().min(1).max(12),
  startGapS: seconds,
  leaderId: idSchema,
  libraryId: idSchema,
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
        everyM: lengthM,
        recovery: shortText,
        runsOn: yes,
        open: yes,
        free: yes,
        hill: yes,
      }),
    )
    .min(1)
    .max(2000)
    .required()
    .messages({ 'array.min': 'There is no rep to time in this session.' }),
  athletes: Joi.array().items(athleteSchema).max(200).required(),
}).rename(...OLD_LIBRARY_ID);

/** A plan as a phone freezes it when a session is taken to the track. */
export const planSchema = Joi.object<Plan>({
  id: idSchema.required(),
  sessionId: idSchema.required(),
  title: Joi.string().max(120).required(),
  date: dateSchema.required(),
  shorthand: Joi.string().max(20_000).required(),
  lapM: lengthM,
  isEntered: yes,
  intent: intentSchema,
  arc: arcSchema,
  groups: Joi.array()
    .items(groupSchema)
    .min(1)
    .max(60)
    .unique('id')
    .required()
    .messages({ 'array.min': 'There is nobody in this session.' })
    .custom((groups: PlannedGroup[], helpers) => {
      if (groups.every(({ athletes }) => athletes.length === 0))
        return helpers.message({ custom: 'There is nobody in this session.' });
      const why = whyTooLarge({ groups });
      return why === undefined ? groups : helpers.message({ custom: why });
    }),
});

const repIndex = Joi.number().strict().integer().min(0).max(3999).required();
const atMs = Joi.number().strict().integer().min(0).max(8.64e15).required();
const athleteId = idSchema.required();
const athleteIds = Joi.array().items(idSchema).min(1).max(200).required();
const eventId = idSchema.required();
const groupId = groupIdSchema.required();

const decision = Joi.alternatives().conditional('.kind', {
  switch: [
    {
      is: 'ease',
      then: Joi.object({ kind: Joi.string(), percent: Joi.number().strict().min(-20).max(50).required() }),
    },
    {
      is: 'recovery',
      then: Joi.object({ kind: Joi.string(), addS: Joi.number().strict().min(-1800).max(1800).required() }),
    },
    { is: 'distance', then: Joi.object({ kind: Joi.string(), distanceM: lengthM.required() }) },
    { is: 'drop', then: Joi.object({ kind: Joi.string(), repIndex }) },
    { is: 'oneMore', then: Joi.object({ kind: Joi.string(), repIndex, planIndex: repIndex }) },
  ],
  otherwise: Joi.object({ kind: Joi.string().valid('stop', 'cutDown', 'endOpen', 'talk').required() }),
});

const oneOf = (values: readonly string[]) => Joi.string().valid(...values);

/** The fields of each kind of event, beside its stamp. */
const PARTS: Record<RunEvent['type'], Joi.PartialSchemaMap> = {
  started: {
    repIndex,
    athleteIds,
    planIndex: Joi.number().strict().integer().min(0).max(1999),
    byItself: yes,
    staggers: yes,
  },
  passed: { athleteId, repIndex, atM: lengthM.required(), estimated: yes },
  crossed: { chip: chipSchema, tappedId: idSchema },
  named: { eventId, athleteId, repIndex, atM: lengthM.required() },
  shifted: { eventId, toMs: atMs },
  undone: { eventId },
  clock: { offsetMs: Joi.number().strict().integer().required() },
  came: { athleteId, presence: oneOf(PRESENCES).required() },
  joined: { groupId, athlete: athleteSchema.required() },
  moved: { athleteIds, groupId },
  conditions: {
    conditions: Joi.object({
      temperatureC: Joi.number().strict().min(-60).max(60),
      humidityPct: Joi.number().strict().min(0).max(100),
      wind: oneOf(WINDS),
      surface: oneOf(SURFACES),
      lane: Joi.number().strict().integer().min(1).max(12),
    }).required(),
  },
  times: { groupIds: Joi.array().items(groupIdSchema).max(60).required() },
  marks: { finishesOnly: Joi.boolean().required() },
  sending: { sending: oneOf(START_MODES).required() },
  held: { athleteIds, repIndex, addS: Joi.number().strict().min(-3600).max(3600).required() },
  felt: { athleteId, repIndex, effort: effortSchema.required() },
  sessionFelt: { athleteId, effort: effortSchema.required() },
  nextDay: { athleteIds, legs: oneOf(NEXT_DAYS).required() },
  nextStep: { athleteIds, step: oneOf(NEXT_STEPS).required(), sessionId: idSchema },
  pulse: { athleteId, repIndex, beatsPerMin: Joi.number().strict().min(30).max(250).required() },
  stopReason: { athleteId, reason: oneOf(STOP_REASONS).required() },
  careChosen: { athleteId, choice: oneOf(CARE_CHOICES).required() },
  flagged: { athleteId, repIndex, flag: oneOf(FLAGS).required() },
  excluded: { athleteId, repIndex, reason: note(200).required() },
  noted: { athleteId, repIndex, text: note(500).required() },
  decided: {
    athleteIds,
    decision: decision.required(),
    rule: Joi.string().max(40),
    repIndex: Joi.number().strict().integer().min(-1).max(3999),
    refused: yes,
  },
  surged: { groupId, isOn: Joi.boolean().required() },
  covered: { athleteId, repIndex, distanceM: lengthM.required() },
  ended: {},
};

const stamp = { id: idSchema.required(), runId: idSchema.required(), deviceId: idSchema.required(), atMs };

/** One event from the track. */
export const eventSchema = Joi.alternatives<RunEvent>().conditional('.type', {
  switch: Object.entries(PARTS).map(([type, parts]) => ({
    is: type,
    then: Joi.object({ ...stamp, type: Joi.string(), ...parts }),
  })),
  otherwise: Joi.object({
    type: Joi.string()
      .valid(...Object.keys(PARTS))
      .required(),
  }).unknown(),
}) as Joi.Schema<RunEvent>;

/** Events as they are sent, each to be checked by itself. */
export const eventBatchSchema = Joi.object<{ events: unknown[] }>({
  events: Joi.array().items(Joi.any()).min(1).max(1000).required(),
});
