/** Schemas of seasons. */
import Joi from 'joi';
import { trimmedString } from './check';
import { LEVERS } from '../library/librarySession';
import {
  DAY_KINDS,
  EXCEPTION_KINDS,
  PHASES,
  RACE_WEIGHTS,
  SPECIALS,
  type AthleteException,
  type DayAmount,
  type DayDone,
  type DaysOff,
  type FixedDay,
  type LongRun,
  type PhasePlan,
  type SeasonPlan,
  type SeasonRace,
  type SpecialSession,
  type Thread,
  type ThreadDecision,
} from '../season/season';
import { SCHOOLS } from '../season/templates/schools';
import {
  arcSchema,
  dateSchema,
  idSchema,
  OLD_LIBRARY_ID,
  intentSchema,
  nameSchema,
  note,
  timeOfDaySchema,
} from './schemas';

const yes = Joi.boolean().valid(true);
const count = (least: number, most: number) => Joi.number().strict().integer().min(least).max(most);
/** Ids of threads and the like: one of the app's own words, or a generated one. */
const nameId = Joi.string().pattern(/^[A-Za-z0-9-]{1,40}$/);
const phase = Joi.string().valid(...PHASES);
const dayKind = Joi.string().valid(...DAY_KINDS);
const main = trimmedString().max(2000);

/** Dates must lie within a living coach's career. */
const seasonDate = dateSchema
  .custom((value: string, helpers) => (value >= '1990' && value < '2101' ? value : helpers.error('date.century')))
  .messages({ 'date.century': 'A season is between the years 1990 and 2100.' });

const span = {
  from: seasonDate.required(),
  to: seasonDate.required(),
};
const isInOrder: Joi.CustomValidator<{ from: string; to: string }> = (value, helpers) =>
  value.to >= value.from ? value : helpers.error('span.order');
const inOrder = { 'span.order': 'The last day is before the first one.' };

const race = Joi.object<SeasonRace>({
  id: nameId.required(),
  date: seasonDate.required(),
  name: nameSchema.required(),
  weight: Joi.string()
    .valid(...RACE_WEIGHTS)
    .required(),
  place: note(80),
  startTime: timeOfDaySchema,
  taperDays: count(0, 21),
  entries: Joi.array()
    .items(
      Joi.object({
        athleteId: idSchema.required(),
        distanceM: Joi.number().strict().min(50).max(200_000).required(),
        goalS: Joi.number().strict().positive().max(172_800),
        splits: Joi.array()
          .items(
            Joi.object({
              atM: Joi.number().strict().positive().max(200_000).required(),
              timeS: Joi.number().strict().positive().max(172_800).required(),
            }),
          )
          .max(200),
      }),
    )
    .max(200)
    .unique(
      (a: { athleteId: string; distanceM: number }, b: typeof a) =>
        a.athleteId === b.athleteId && a.distanceM === b.distanceM,
    ),
  focus: Joi.array().items(note(160).allow('')).length(3),
});

const phasePlan = Joi.object<PhasePlan>({
  phase: phase.invalid('race week', 'break').required(),
  weeks: count(0, 104).required(),
  least: count(0, 104).required(),
  most: count(0, 104).required(),
  isKept: yes,
});

const rhythm = Joi.array()
  .items(dayKind.invalid('race'))
  .length(7)
  .messages({ 'array.length': 'A week has seven days.' });

const cycle = Joi.array()
  .items(Joi.array().items(nameId.allow(null)).max(7))
  .max(12);

const thread = Joi.object<Thread>({
  id: nameId.required(),
  name: nameSchema.required(),
  intent: intentSchema.required(),
  arc: arcSchema,
  stages: Joi.array().items(main).max(30).required(),
  chain: Joi.array()
    .items(
      Joi.object({
        lever: Joi.string()
          .valid(...LEVERS)
          .required(),
        by: Joi.number().strict().positive().max(100_000),
        to: Joi.number().strict().positive().max(100_000),
      }),
    )
    .max(12)
    .required(),
  spacingDays: count(1, 100).required(),
  isLight: yes,
  isByReadiness: yes,
  isLadder: yes,
  isFitted: yes,
  progressionId: idSchema,
  libraryId: idSchema,
}).rename(...OLD_LIBRARY_ID);

const special = Joi.object<SpecialSession>({
  title: nameSchema.required(),
  intent: intentSchema.required(),
  arc: arcSchema,
  main: main.required(),
});

const longRun = Joi.object<LongRun>({
  unit: Joi.string().valid('km', 'min').required(),
  from: Joi.number().strict().positive().max(300).required(),
  step: Joi.number().strict().min(0).max(60).required(),
  most: Joi.number().strict().positive().max(400).required(),
  easierEvery: count(0, 12).required(),
  lastDays: count(0, 42).required(),
  heldWeeks: count(1, 12),
  parts: Joi.object().pattern(phase, note(200)),
});

const fixed = Joi.object<FixedDay>({
  date: seasonDate.required(),
  kind: dayKind.required(),
  because: Joi.string().valid('pinned', 'written', 'past').required(),
  threadId: nameId,
  step: count(0, 500),
  special: Joi.string().valid(...SPECIALS),
  share: Joi.number().strict().min(0.1).max(1),
  sessionId: idSchema,
  note: note(200),
  missed: Joi.string().valid('slide', 'skip'),
});

const daysOff = Joi.object<DaysOff>({ id: nameId.required(), ...span, reason: note(80).required() })
  .custom(isInOrder)
  .messages(inOrder);

const exception = Joi.object<AthleteException>({
  id: nameId.required(),
  athleteId: idSchema.required(),
  kind: Joi.string()
    .valid(...EXCEPTION_KINDS)
    .required(),
  ...span,
  note: note(200),
})
  .custom(isInOrder)
  .messages(inOrder);

const done = Joi.object<DayDone>({
  date: seasonDate.required(),
  amount: Joi.object<DayAmount>({
    unit: Joi.string().valid('km', 'min').required(),
    amount: Joi.number().strict().positive().max(600).required(),
  }).required(),
  notIds: Joi.array().items(idSchema).max(1000).unique(),
});

const decision = Joi.object<ThreadDecision>({
  threadId: nameId.required(),
  date: seasonDate.required(),
  step: Joi.string().valid('on', 'repeat', 'back').required(),
});

/** A season as sent and stored. */
export const seasonPlanSchema = Joi.object<SeasonPlan>({
  name: nameSchema.required(),
  firstDay: seasonDate.required(),
  groupIds: Joi.array().items(idSchema).min(1).max(50).unique(),
  median5kS: Joi.number().strict().integer().min(600).max(7200),
  weekStart: Joi.string().valid('monday', 'sunday'),
  races: Joi.array().items(race).max(60).unique('id').required(),
  phases: Joi.array().items(phasePlan).min(1).max(20).required().messages({ 'array.min': 'A season needs a phase.' }),
  rhythm: rhythm.required(),
  phaseRhythms: Joi.object().pattern(phase, rhythm),
  cycles: Joi.object().pattern(phase, cycle).required(),
  spareIds: Joi.array().items(nameId).max(20),
  threads: Joi.array().items(thread).max(60).unique('id').required(),
  longRun,
  specials: Joi.object()
    .pattern(Joi.string().valid(...SPECIALS), special)
    .required(),
  indicatorDays: Joi.array().items(count(1, 60)).length(2),
  trialWeek: count(1, 104),
  taperDays: count(0, 21).required(),
  rehearsed: Joi.object({ shoes: note(120), drink: note(120), gel: note(120) }),
  schools: Joi.object(Object.fromEntries(SCHOOLS.map((school) => [school, yes]))).required(),
  daysOff: Joi.array().items(daysOff).max(100).unique('id').required(),
  exceptions: Joi.array().items(exception).max(1000).unique('id').required(),
  fixed: Joi.array().items(fixed).max(800).unique('date').required(),
  decisions: Joi.array().items(decision).max(2000).required(),
  done: Joi.array().items(done).max(800).unique('date'),
  // Hot months belong to the club now; an app that was not reloaded may still send them.
}).append({ heatMonths: Joi.any().strip() });

/** A season and the version it was changed from; 0 for a new one. */
export type SeasonWrite = { season: SeasonPlan; version: number };
export const seasonWriteSchema = Joi.object<SeasonWrite>({
  season: seasonPlanSchema.required(),
  version: count(0, 1_000_000_000).required(),
});

/** The hard day whose session is to be written, and the id it gets. */
export type WriteDay = { date: string; sessionId: string; startTime?: string };
export const writeDaySchema = Joi.object<WriteDay>({
  date: dateSchema.required(),
  sessionId: idSchema.required(),
  startTime: timeOfDaySchema,
});
