import fs from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import pino from 'pino';
import { ulid } from 'ulid';
import { simulateRun } from '@core/rehearsal/simulate';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { seasonFrom } from '@core/season/templates/seasonFrom';
import { seasonTemplates } from '@core/season/templates/templates';
import { changeLibrary } from '@server/db/library';
import { openDatabase, type Db } from '@server/db/open';
import { addEvents, putPlan } from '@server/db/runs';
import { putSeason } from '@server/db/seasons';
import { putDayPlan, putSession } from '@server/db/sessions';
import { changeSquad } from '@server/db/squad';
import { makeApp } from '@server/http/app';
import { planOf } from './boardOf';
import { SQUAD } from './madeUpSquad';

const SESSIONS_A_SEASON = 121;
/** Of the coach's own in the library, for each season. */
const LIBRARY_A_SEASON = 20;
const EVERY_DAYS = 3;
const PEOPLE = 14;
const SHORTHAND = '8x400 @5k / 75s jog';

const dayText = (day: Date) => format(day, 'yyyy-MM-dd');

/** Seasons of one session after the other, up to today, for the same athletes: sessions, day plans, what was run, library and season plans. */
export class Seasons {
  readonly folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-bench-seasons-'));
  readonly athletes = SQUAD.slice(0, PEOPLE).map((athlete) => ({ id: ulid(), ...athlete }));
  readonly firstDay: Date;
  readonly lastDay = new Date(new Date().setHours(17, 0, 0, 0));
  db: Db = openDatabase(this.folder);
  sessions = 0;
  events = 0;
  private seed = 17;
  private readonly plan = planOf(SHORTHAND);

  constructor(private readonly count: number) {
    this.firstDay = addDays(this.lastDay, -(count * SESSIONS_A_SEASON - 1) * EVERY_DAYS);
    changeSquad(this.db, { athletes: this.athletes }, Date.now());
  }

  /** A day so many days before the last one. */
  before(days: number): string {
    return dayText(addDays(this.lastDay, -days));
  }

  private readonly random = () => (this.seed = (this.seed * 48_271) % 2_147_483_647) / 2_147_483_647;

  /** The plan of one day, for the athletes of this squad. */
  planOn(day: Date): Plan {
    const groups = this.plan.groups.map((group) => ({
      ...group,
      athletes: this.athletes.map(({ id, name }, i) => ({
        ...(group.athletes[i] ?? { tileName: name, targets: [] }),
        athleteId: id,
        name,
      })),
    }));
    return { ...this.plan, id: ulid(), sessionId: ulid(), date: dayText(day), groups };
  }

  eventsOf(plan: Plan, day: Date): RunEvent[] {
    const deviceId = ulid();
    const ran = simulateRun({
      plan,
      startAtMs: day.getTime(),
      deviceId,
      idAt: (atMs) => ulid(atMs),
      random: this.random,
      athletes: {},
    });
    const lastMs = Math.max(...ran.map(({ atMs }) => atMs));
    const felt = this.athletes.map(({ id: athleteId }): RunEvent => {
      const stamp = { id: ulid(lastMs), runId: plan.id, deviceId, atMs: lastMs };
      return { ...stamp, type: 'felt', athleteId, repIndex: 7, effort: 7 };
    });
    return [...ran, ...felt];
  }

  add(): void {
    for (let season = 0; season < this.count; season++) {
      const firstDay = addDays(this.firstDay, season * SESSIONS_A_SEASON * EVERY_DAYS);
      const [template] = seasonTemplates;
      if (template) {
        const plan = seasonFrom(template, { firstDay: dayText(firstDay), races: [], name: `Season ${season + 1}` });
        putSeason(this.db, ulid(), { season: plan, version: 0 }, { actor: 'coach', nowMs: firstDay.getTime() });
      }
      const library = Array.from({ length: LIBRARY_A_SEASON }, (_, i) => ({
        id: ulid(),
        title: `Season ${season + 1}, session ${i + 1}`,
        shorthand: SHORTHAND,
        tags: [],
      }));
      changeLibrary(this.db, { sessions: library }, firstDay.getTime());
      for (let i = 0; i < SESSIONS_A_SEASON; i++)
        this.addSession(addDays(firstDay, i * EVERY_DAYS), library[i % LIBRARY_A_SEASON]?.id ?? '');
    }
  }

  private addSession(day: Date, libraryId: string): void {
    const plan = this.planOn(day);
    const { sessionId, title, date } = plan;
    const events = this.eventsOf(plan, day);
    const nowMs = day.getTime();
    putSession(this.db, sessionId, { title, date, shorthand: SHORTHAND, libraryId }, nowMs);
    const groups = plan.groups.map(({ name, athletes }) => ({
      id: ulid(),
      name,
      athleteIds: athletes.map(({ athleteId }) => athleteId),
    }));
    putDayPlan(this.db, sessionId, { groups }, nowMs);
    putPlan(this.db, plan, nowMs);
    addEvents(this.db, plan.id, events, nowMs);
    this.sessions += 1;
    this.events += events.length;
  }

  async serve(): Promise<{ server: Server; url: string }> {
    const log = pino({ enabled: false });
    const server = makeApp({ db: this.db, log, nowMs: Date.now }).listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    return { server, url: `http://127.0.0.1:${(server.address() as AddressInfo).port}` };
  }
}
