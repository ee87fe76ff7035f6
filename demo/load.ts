import { parseISO } from 'date-fns/parseISO';
import { ulid } from 'ulid';
import { daysAfter } from '@core/units/dayNumber';
import { seeded } from '@core/units/seeded';
import { enduranceTimeFor } from '@core/fitness/endurance';
import { curveMovedTo, fitCurve, type EnduranceCurve } from '@core/fitness/curve';
import type { Mark } from '@core/fitness/mark';
import { curveBook } from '@core/paces/shippedPaceBooks';
import { parseStored } from '@core/session/parseSession';
import { sinceWeeks, type Group, type SquadMember } from '@core/squad/athlete';
import { standardTrack } from '@core/venue/venue';
import type { Happening, RunEvent } from '@core/run/events';
import { makePlan } from '@core/planning/makePlan';
import { athletesOf, type Plan } from '@core/run/plan';
import type { Random } from '@core/rehearsal/simulate';
import { listAthletes } from '@server/db/athletes';
import { changeLibrary, readLibrary } from '@server/db/library';
import { bringUpToDate } from '@server/db/behind';
import { addEvents, putPlan } from '@server/db/runs';
import { putSeason } from '@server/db/seasons';
import { putSession, sessionsOn } from '@server/db/sessions';
import {
  athletes,
  librarySessions,
  libraryVersions,
  groups,
  paceBooks,
  progressions,
  runEvents,
  runs,
  seasons,
  sessions,
  squad,
} from '@server/db/schema';
import { changeSquad } from '@server/db/squad';
import type { Db } from '@server/db/open';
import { clubLibrary, PROGRESSION_NAME, sessionsBeside, stageLadder } from './library';
import { CLUB, GROUPS, type ClubAthlete } from './club';
import { inGroupsByPace, ranSession, type OnTheDay } from './ranSession';
import { SEASON, TODAY, type ClubSession } from './season';
import { clubSeasons, type Dated } from './seasonPlans';

const SEED = 20_400;
const STARTS_AT = '17:45:00';

type Member = { athlete: SquadMember; truth: EnduranceCurve; club: ClubAthlete };

/** What one load of the demo works with: today (YYYY-MM-DD), seeded random numbers, and ids made from them. */
type Loading = { db: Db; today: string; random: Random; idAt: (atMs: number) => string };

const startOf = (date: string) => parseISO(`${date}T${STARTS_AT}`).getTime();

function trueCurve(athlete: ClubAthlete, today: string): EnduranceCurve {
  const curve = fitCurve([{ ...athlete.truth, date: today, kind: 'race' }], { asOf: today });
  if (!athlete.shape) return curve;
  const { mapWkg } = curve.parameters;
  const shaped = { mapWkg, eWkg: athlete.shape.e * mapWkg, aJkg: athlete.shape.a * mapWkg };
  return curveMovedTo({ ...curve, parameters: shaped }, athlete.truth.distanceM, athlete.truth.timeS);
}

/** The athlete as the coach knows them: all that is said in the club's list, with days for the numbers of days. */
function makeMember(club: ClubAthlete, groups: readonly Group[], { today, idAt }: Loading): Member {
  const truth = trueCurve(club, today);
  const marks = club.marks.map(({ daysAgo, off, ...mark }): Mark => {
    const timeS = enduranceTimeFor(truth.parameters, mark.distanceM) * (1 + off);
    return { ...mark, timeS: Math.round(timeS * 10) / 10, date: daysAfter(today, -daysAgo) };
  });
  const { name, age, leaning, weeksOfRunning, goal, nudge, notes, archived, status = 'training' } = club;
  const groupId = groups[club.group]?.id;
  const athlete: SquadMember = {
    id: idAt(startOf(daysAfter(today, -100))),
    name,
    tileName: name.split(' ')[0] ?? name,
    status,
    marks,
    chip: `ZL-${String(CLUB.indexOf(club) + 1).padStart(2, '0')}`,
    leaning,
    bornYear: Number(today.slice(0, 4)) - age,
    ...(groupId === undefined ? {} : { groupId }),
    ...(weeksOfRunning === undefined ? {} : { runningSince: sinceWeeks(weeksOfRunning, today) }),
    ...(goal
      ? { goal: { distanceM: goal.distanceM, timeS: goal.timeS, date: daysAfter(today, goal.inDays), race: goal.race } }
      : {}),
    ...(nudge
      ? { nudge: { distanceM: nudge.distanceM, timeS: nudge.timeS, date: daysAfter(today, -nudge.daysAgo) } }
      : {}),
    ...(notes === undefined ? {} : { notes }),
    ...(archived ? { archived } : {}),
  };
  return { athlete, truth, club };
}

/** The paces as they were known on a day: from the marks run by then, or all if there were none yet. */
function pacesOn(marks: readonly Mark[], date: string, goal: SquadMember['goal']) {
  const counted = marks.filter(({ leftOut }) => !leftOut);
  const knownMarks = counted.filter((mark) => mark.date <= date);
  // Before the first mark the club went by what is known of them since.
  const [first] = [...counted].sort((a, b) => a.date.localeCompare(b.date));
  const asOf = knownMarks.length > 0 || !first ? date : first.date;
  const curve = fitCurve(marks, { asOf });
  return {
    curve,
    ...(goal ? { goalCurve: curveMovedTo(curve, goal.distanceM, goal.timeS) } : {}),
    paceBook: curveBook,
  };
}

function addSession({ db, today, idAt }: Loading, { inDays, title, shorthand, intent }: ClubSession): string {
  const date = daysAfter(today, inDays);
  const id = idAt(startOf(date));
  const libraryId = readLibrary(db).sessions.find((session) => session.title === title)?.id;
  const input = {
    title,
    date,
    shorthand,
    startTime: STARTS_AT.slice(0, 5),
    ...(libraryId ? { libraryId } : {}),
    ...(intent ? { intent } : {}),
  };
  putSession(db, id, input, startOf(today));
  return id;
}

/** An athlete's form so many days before today: less fit than now, tired, coming back, and how they report effort. */
function onTheDay({ truth, club }: Member, inDays: number): OnTheDay {
  const { habits, story = {} } = club;
  const weeks = -inDays / 7;
  const { gainsAWeek = 0, spentFromWeeks, tellsAbove } = story;
  const isSpent = spentFromWeeks !== undefined && weeks <= spentFromWeeks;
  const behind = weeks * gainsAWeek + (isSpent ? 0.025 : 0);
  const { distanceM, timeS } = club.truth;
  return {
    curve: behind === 0 ? truth : curveMovedTo(truth, distanceM, timeS * (1 + behind)),
    ...habits,
    ...(tellsAbove === undefined ? {} : { tellsAbove: tellsAbove + (isSpent ? 1 : 0) }),
    ...(isSpent && weeks > spentFromWeeks - 0.8 ? { isSpent } : {}),
  };
}

/** What the coach put in the day after: how the legs were, and who goes on. */
function decidedAfter({ again, inDays }: ClubSession, plan: Plan, members: readonly Member[]): RunEvent[] {
  if (!again) return [];
  const ran = new Set(athletesOf(plan).map(({ athleteId }) => athleteId));
  const idsOf = (isAgain: boolean) =>
    members.flatMap(({ athlete }, i) => (ran.has(athlete.id) && again.includes(i) === isAgain ? [athlete.id] : []));
  const atMs = startOf(plan.date) + 15 * 3_600_000;
  // Its own random numbers: what was run stays the same whether or not something was decided.
  const random = seeded(SEED + inDays);
  const deviceId = ulid(atMs, random);
  const at = (happening: Happening): RunEvent => ({
    ...happening,
    id: ulid(atMs, random),
    runId: plan.id,
    deviceId,
    atMs,
  });
  const [on, repeat] = [idsOf(false), idsOf(true)];
  return [
    at({ type: 'nextDay', athleteIds: on, legs: 'fresh' }),
    at({ type: 'nextStep', athleteIds: on, step: 'on' }),
    ...(repeat.length > 0
      ? [
          at({ type: 'nextDay', athleteIds: repeat, legs: 'heavy' }),
          at({ type: 'nextStep', athleteIds: repeat, step: 'repeat' }),
        ]
      : []),
  ];
}

/** Flags of those who were not well on the day. */
function flagged({ flags = [], inDays }: ClubSession, plan: Plan, members: readonly Member[]): RunEvent[] {
  const atMs = startOf(plan.date) + 1_800_000;
  const random = seeded(SEED - inDays);
  const deviceId = ulid(atMs, random);
  return flags.flatMap(({ who, repIndex, flag }): RunEvent[] => {
    const athleteId = members[who]?.athlete.id;
    if (athleteId === undefined) return [];
    return [{ id: ulid(atMs, random), runId: plan.id, deviceId, atMs, type: 'flagged', athleteId, repIndex, flag }];
  });
}

function runSession(loading: Loading, sessionId: string, session: ClubSession, members: Member[]): void {
  const { db, today, random, idAt } = loading;
  const { inDays, title, shorthand, absent, intent, conditions, harder, turns } = session;
  const date = daysAfter(today, inDays);
  const startAtMs = startOf(date);
  const parsed = parseStored(shorthand);
  if (!parsed.ok) throw new Error(`The demo session “${title}” cannot be read.`);
  const present = members.filter((_, i) => !absent.includes(i));
  const whole = makePlan(
    { id: idAt(startAtMs), sessionId, title, date, shorthand },
    parsed.session,
    present.map(({ athlete: { id, name, tileName, marks, goal } }) => ({
      id,
      name,
      tileName,
      paces: pacesOn(marks, date, goal),
    })),
    standardTrack,
    intent,
  );
  const plan = inGroupsByPace(whole, idAt, startAtMs);
  const events = ranSession({
    plan,
    startAtMs,
    deviceId: idAt(startAtMs),
    idAt,
    random,
    athletes: Object.fromEntries(present.map((member) => [member.athlete.id, onTheDay(member, inDays)])),
    ...(conditions ? { conditions } : {}),
    ...(harder === undefined ? {} : { harder }),
    ...(turns === undefined ? {} : { turns }),
  });
  putPlan(db, plan, startAtMs);
  addEvents(
    db,
    plan.id,
    [...events, ...flagged(session, plan, members), ...decidedAfter(session, plan, members)],
    startAtMs,
  );
  bringUpToDate(db);
}

function clear(db: Db): void {
  for (const table of [runEvents, runs, sessions, libraryVersions, librarySessions, progressions])
    db.delete(table).run();
  for (const table of [seasons, athletes, groups, squad, paceBooks]) db.delete(table).run();
}

function load(loading: Loading): void {
  const enteredAtMs = startOf(daysAfter(loading.today, -100));
  const trainingGroups = GROUPS.map((name): Group => ({ id: loading.idAt(enteredAtMs), name }));
  const everyone = CLUB.map((athlete) => makeMember(athlete, trainingGroups, loading));
  // The marks are of days up to today.
  changeSquad(
    loading.db,
    { groups: trainingGroups, athletes: everyone.map(({ athlete }) => athlete) },
    startOf(loading.today),
  );
  changeLibrary(
    loading.db,
    clubLibrary(() => loading.idAt(enteredAtMs)),
    enteredAtMs,
  );
  // With random numbers of their own: results are the same without them.
  const random = seeded(SEED + 1);
  for (const make of [stageLadder, sessionsBeside])
    changeLibrary(
      loading.db,
      make(() => ulid(enteredAtMs, random)),
      enteredAtMs,
    );
  const members = everyone.filter(({ athlete }) => !athlete.archived);
  const dated: Dated[] = [];
  for (const session of SEASON) {
    const sessionId = addSession(loading, session);
    if (!session.isExtra)
      dated.push({ id: sessionId, title: session.title, date: daysAfter(loading.today, session.inDays) });
    if (session.inDays < 0) runSession(loading, sessionId, session, members);
  }
  addSeasons(loading, dated, trainingGroups, members);
}

/** With random numbers of their own: what was made before them is the same without them. */
function addSeasons(
  { db, today }: Loading,
  sessions: Dated[],
  groups: readonly Group[],
  members: readonly Member[],
): void {
  const random = seeded(SEED + 2);
  const nowMs = startOf(today);
  const plans = clubSeasons({
    today,
    sessions,
    members: members.map(({ athlete }) => athlete),
    groupIdOf: (name) => groups.find((group) => group.name === name)?.id ?? '',
    progressionId: readLibrary(db).progressions.find(({ name }) => name === PROGRESSION_NAME)?.id ?? '',
  });
  for (const season of plans) putSeason(db, ulid(nowMs, random), { season, version: 0 }, { actor: 'coach', nowMs });
}

/** From before the first session on. */
const EVER = { from: '1900-01-01' };

/**
 * Puts the made-up club into the database if it is empty, or anew with `fresh`. A demo loaded on an earlier day keeps all
 * that was done in it and is given a session for today.
 */
export function loadDemo(db: Db, { today, fresh }: { today: string; fresh: boolean }): void {
  const random = seeded(SEED);
  const loading: Loading = { db, today, random, idAt: (atMs) => ulid(atMs, random) };
  db.transaction(() => {
    if (fresh) clear(db);
    if (listAthletes(db).length === 0 && sessionsOn(db, EVER).length === 0) load(loading);
    else if (sessionsOn(db, { from: today, to: today }).length === 0)
      addSession({ ...loading, idAt: () => ulid() }, TODAY);
  });
}
