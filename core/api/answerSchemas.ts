/**
 * The schema of every answer, by route. The server's tests hold each answer against its schema, so that client and server cannot drift
 * apart; nothing is checked at run time.
 */
import Joi from 'joi';
import { EFFORT_SOURCES } from '../review/load';
import type { LevelRead } from '../review/changeShown';
import type { LastPart, LastTime, RanAthlete, RanRep, RunHead, SameRun } from '../review/history';
import type { ResultRow } from '../review/resultRow';
import type { KindCount } from '../review/sameSession';
import type { RunSummary } from '../review/summary';
import type { CareKnown, CareRecord } from '../judgement/care';
import {
  CARE_CHOICES,
  FLAGS,
  NEXT_DAYS,
  NEXT_STEPS,
  PRESENCES,
  STOP_REASONS,
  SURFACES,
  WINDS,
  type Conditions,
} from '../run/events';
import { EXCEPTION_KINDS, type StoredSeason } from '../season/season';
import type { Answers, ListedRun, Page, Route } from './answers';
import { changeSchema, dayPlanSchema, venueSchema } from './dayPlanSchema';
import { librarySessionSchema, progressionSchema } from './librarySchemas';
import {
  groupSchema,
  idSchema,
  intentSchema,
  paceBookSchema,
  sessionSchema,
  squadMemberSchema,
  squadSettingsSchema,
} from './schemas';
import { seasonPlanSchema } from './seasonSchemas';
import { eventSchema, planSchema } from './tracksideSchemas';

const text = Joi.string().allow('');
const date = Joi.string().pattern(/^\d{4}-\d{2}-\d{2}$/);
const number = Joi.number().strict().unsafe();
const count = number.integer().min(0);
const yes = Joi.boolean().strict().valid(true);
const list = (of: Joi.Schema) => Joi.array().items(of).required();
const withId = (schema: Joi.ObjectSchema, id: Joi.Schema = idSchema) => schema.keys({ id: id.required() });
const oneOf = (values: readonly string[]) => Joi.string().valid(...values);
const nothing = Joi.forbidden();
const paged = (of: Joi.Schema) => Joi.object<Page<unknown>>({ rows: list(of), next: Joi.string() });

const paceBook = withId(paceBookSchema, Joi.string());
const venue = withId(venueSchema);
const listedSession = withId(sessionSchema);
const scheduledSession = listedSession.keys({ plan: dayPlanSchema });

const storedSeason = Joi.object<StoredSeason>({
  id: idSchema.required(),
  version: count.required(),
  season: seasonPlanSchema.required(),
});

const verdicts = Joi.object({ early: count.required(), on: count.required(), late: count.required() });
const listedRun = Joi.object<ListedRun>({
  id: idSchema.required(),
  sessionId: idSchema.required(),
  title: text.required(),
  date: date.required(),
  summary: Joi.object<RunSummary>({
    athletes: count.required(),
    planned: count.required(),
    finished: count.required(),
    verdicts: verdicts.required(),
    startedAtMs: number,
    endedAtMs: number,
    minutes: number,
  }),
  isUnreadable: yes,
  isSetAside: yes,
  isPending: yes,
});

const amountOfRep = { distanceM: number, durationS: number, pace: text };
const role = oneOf(['main', 'finish']).required();
const kindCount = Joi.object<KindCount>({ role, ...amountOfRep, count: count.required() });
const conditions = Joi.object<Conditions>({
  temperatureC: number,
  humidityPct: number,
  wind: oneOf(WINDS),
  surface: oneOf(SURFACES),
  lane: count,
});
const runHead = {
  runId: idSchema.required(),
  title: text.required(),
  date: date.required(),
  kinds: list(kindCount),
  conditions: conditions.required(),
};
const ranRep = Joi.object<RanRep>({
  runId: idSchema.required(),
  athleteId: idSchema.required(),
  place: count.required(),
  role,
  ...amountOfRep,
  coveredM: number,
  effort: number,
  restS: number,
  plannedRestS: number,
  verdict: oneOf(['early', 'on', 'late']),
  timeS: number.required(),
  percent: number,
});
const ranAthlete = Joi.object<RanAthlete>({
  runId: idSchema.required(),
  athleteId: idSchema.required(),
  presence: oneOf(PRESENCES),
  isThere: Joi.boolean().strict().required(),
  planned: count.required(),
  finished: count.required(),
  verdicts: verdicts.required(),
  isStopped: yes,
  stopReason: oneOf(STOP_REASONS),
  meantLast: number,
  meanPercent: number,
  evennessPercent: number,
  fadePercent: number,
  lastEffort: number,
  sessionEffort: number,
  minutes: number,
  hardMinutes: number,
  loadEffort: number,
  effortSource: oneOf(EFFORT_SOURCES),
  plannedMinutes: number,
  plannedHardMinutes: number,
  plannedEffort: number,
  nextDay: oneOf(NEXT_DAYS),
  nextStep: oneOf(NEXT_STEPS),
  libraryId: idSchema,
});
const history = { runs: list(Joi.object<RunHead>(runHead)), athletes: list(ranAthlete) };
const run = Joi.object({ plan: planSchema.required(), events: list(eventSchema) });

const resultRow = Joi.object<ResultRow>({
  date: date.required(),
  session: text.required(),
  group: text.required(),
  athlete: text.required(),
  rep: count.required(),
  part: role,
  ...amountOfRep,
  targetS: number,
  timeS: number,
  coveredM: number,
  effort: number,
  sessionEffort: number,
  beatsPerMin: number,
  restS: number,
  plannedRestS: number,
  notes: text,
  leftOut: text,
});

const athleteFile = Joi.object({
  format: Joi.string().valid('zest-lap/athlete').required(),
  version: Joi.number().strict().valid(1).required(),
  savedOn: date.required(),
  athlete: squadMemberSchema.required(),
  group: groupSchema,
  runs: list(run),
  seasons: Joi.array().items(
    Joi.object({
      name: text.required(),
      exceptions: Joi.array().items(
        Joi.object({
          kind: oneOf(EXCEPTION_KINDS).required(),
          from: date.required(),
          to: date.required(),
          note: text,
        }),
      ),
      races: Joi.array().items(
        Joi.object({
          date: date.required(),
          name: text.required(),
          distanceM: number.required(),
          goalS: number,
          splits: Joi.array().items(Joi.object({ atM: number.required(), timeS: number.required() })),
        }),
      ),
      notRun: Joi.array().items(date),
    }),
  ),
  plans: Joi.array().items(
    Joi.object({
      title: text.required(),
      date: date.required(),
      plan: Joi.object({
        takesPart: Joi.boolean().strict(),
        care: oneOf(CARE_CHOICES),
        group: text,
        leads: Joi.boolean().strict(),
        changes: Joi.array().items(changeSchema),
      }).required(),
    }),
  ),
});

const status = oneOf(['ok', 'failing']).required();

/** What every refusal looks like. */
export const refusalSchema = Joi.object({
  error: Joi.object({
    code: Joi.string().required(),
    message: Joi.string().required(),
    field: Joi.string(),
  }).required(),
});

export const ANSWER_SCHEMAS: Record<Route, Joi.Schema> = {
  'GET /api/health': Joi.object<Answers['GET /api/health']>({ status, version: text.required(), database: status }),
  'GET /api/clock': Joi.object<Answers['GET /api/clock']>({ nowMs: number.required() }),
  'GET /api/access': Joi.object<Answers['GET /api/access']>({
    isLocked: Joi.boolean().strict().required(),
    who: oneOf(['coach', 'helper', 'nobody']).required(),
    runId: idSchema,
  }),
  'POST /api/access/passphrase': nothing,
  'POST /api/access/join': Joi.object<Answers['POST /api/access/join']>({ runId: idSchema.required() }),
  'POST /api/access/codes': Joi.object<Answers['POST /api/access/codes']>({
    code: Joi.string().required(),
    untilMs: number.required(),
    addresses: list(Joi.string()),
  }),
  'DELETE /api/access': nothing,
  'GET /api/athletes': list(squadMemberSchema),
  'GET /api/athletes/:id/file': athleteFile,
  'POST /api/athletes/:id/erase': nothing,
  'GET /api/squad': squadSettingsSchema,
  'POST /api/squad/changes': nothing,
  'GET /api/pace-books': list(paceBook),
  'PUT /api/pace-books/:id': paceBook,
  'DELETE /api/pace-books/:id': nothing,
  'POST /api/pace-books/:id/restore': nothing,
  'GET /api/sessions': paged(listedSession),
  'GET /api/sessions/days': list(scheduledSession),
  'GET /api/sessions/:id': scheduledSession,
  'PUT /api/sessions/:id': listedSession,
  'PUT /api/sessions/:id/plan': dayPlanSchema,
  'DELETE /api/sessions/:id': nothing,
  'POST /api/sessions/:id/restore': nothing,
  'GET /api/library': Joi.object<Answers['GET /api/library']>({
    sessions: list(librarySessionSchema),
    progressions: list(progressionSchema),
  }),
  'GET /api/library/uses': Joi.object().pattern(idSchema, Joi.object({ days: count.required(), last: date })),
  'GET /api/library/:id/versions': paged(
    Joi.object({
      version: count.required(),
      title: text.required(),
      shorthand: text.required(),
      untilMs: number.required(),
    }),
  ),
  'POST /api/library/changes': nothing,
  'GET /api/venues': list(venue),
  'PUT /api/venues/:id': venue,
  'DELETE /api/venues/:id': nothing,
  'POST /api/venues/:id/restore': nothing,
  'GET /api/weather': Joi.object({ temperatureC: number.required(), humidityPct: number.required(), windMps: number }),
  'GET /api/seasons': list(storedSeason),
  'PUT /api/seasons/:id': storedSeason,
  'DELETE /api/seasons/:id': nothing,
  'POST /api/seasons/:id/restore': nothing,
  'POST /api/seasons/:id/days': (storedSeason as Joi.ObjectSchema).keys({ sessionId: idSchema.required() }),
  'GET /api/seasons/:id/calendar.ics': Joi.string(),
  'GET /api/runs': paged(listedRun),
  'GET /api/runs/days': list(listedRun),
  'GET /api/runs/open': list(listedRun),
  'GET /api/runs/apart': Joi.object<Answers['GET /api/runs/apart']>({
    pending: count.required(),
    runs: list(listedRun),
  }),
  'GET /api/runs/:id': run,
  'GET /api/runs/:id/live': Joi.string(),
  'PUT /api/runs/:id/plan': nothing,
  'POST /api/runs/:id/events': Joi.object({
    accepted: list(Joi.string()),
    refused: list(
      Joi.object({
        index: count.required(),
        id: text,
        code: oneOf(['invalid', 'not_for_helper', 'conflict']).required(),
        field: text.required(),
        message: Joi.string().required(),
      }),
    ),
  }),
  'DELETE /api/runs/:id': nothing,
  'POST /api/runs/:id/restore': nothing,
  'GET /api/review/squad': Joi.object({
    ...history,
    metres: list(
      Joi.object({
        athleteId: idSchema.required(),
        date: date.required(),
        pace: text.required(),
        distanceM: number.required(),
      }),
    ),
  }),
  'GET /api/review/calibrations': Joi.object().pattern(
    idSchema,
    Joi.object({
      a: number.required(),
      g: number.required(),
      aError: number.required(),
      n: number.required(),
      kinds: Joi.object().pattern(intentSchema, Joi.object({ b: number.required(), known: number.required() })),
    }),
  ),
  'GET /api/review/levels': Joi.object().pattern(
    idSchema,
    list(Joi.object<LevelRead>({ date: date.required(), shift: number.required(), error: number.required() })),
  ),
  'GET /api/review/care': Joi.object().pattern(
    idSchema,
    Joi.object<CareKnown>({
      records: list(
        Joi.object<CareRecord>({
          athleteId: idSchema.required(),
          runId: idSchema.required(),
          date: date.required(),
          flags: list(Joi.object({ flag: oneOf(FLAGS).required(), rep: count.required() })),
          isStopped: yes,
          stopReason: oneOf(STOP_REASONS),
          stopRep: count,
          legs: oneOf(NEXT_DAYS),
          lastEffort: number,
          meantLast: number,
        }),
      ),
      creep: Joi.object({ by: number.required(), date: date.required() }),
      usual: Joi.object({ percent: number.required(), reps: count.required() }),
    }),
  ),
  'GET /api/review/athletes/:id': Joi.object({
    ...history,
    reps: list(ranRep),
    notes: list(Joi.object({ runId: idSchema.required(), date: date.required(), text: Joi.string().required() })),
  }),
  'GET /api/review/reps': list(resultRow),
  'GET /api/review/runs/:id/same': Joi.object({
    progression: text,
    runs: list(
      Joi.object<SameRun>({ ...runHead, relation: oneOf(['same', 'alike', 'step', 'chosen']).required(), step: count }),
    ),
    reps: list(ranRep),
    athletes: list(ranAthlete),
  }),
  'GET /api/review/progressions/:id': list(
    Joi.object({
      athleteId: idSchema.required(),
      runId: idSchema.required(),
      date: date.required(),
      stepId: idSchema.required(),
      nextStep: oneOf(NEXT_STEPS),
    }),
  ),
  'GET /api/review/sessions/:id/last': Joi.object<LastTime>({
    runId: idSchema.required(),
    date: date.required(),
    kind: kindCount.required(),
    athletes: list(
      Joi.object<LastPart>({
        athleteId: idSchema.required(),
        meanS: number.required(),
        evennessPercent: number,
        effort: number,
        restS: number,
        distanceM: number.required(),
      }),
    ),
  }).allow(null),
};

/** The route a request is for: `GET /api/runs/:id` of `GET /api/runs/01J…`; undefined where there is none. */
export function routeOf(method: string, path: string): Route | undefined {
  const parts = (path.split('?')[0] ?? '').replace(/\/$/, '').split('/');
  // Routes with a word in place of an id come first.
  const fits = (Object.keys(ANSWER_SCHEMAS) as Route[]).filter((route) => {
    const [itsMethod = '', itsPath = ''] = route.split(' ');
    const its = itsPath.split('/');
    return (
      itsMethod === method && its.length === parts.length && its.every((part, i) => part === parts[i] || part === ':id')
    );
  });
  return fits.find((route) => !route.includes(':id')) ?? fits[0];
}
