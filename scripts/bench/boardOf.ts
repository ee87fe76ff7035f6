import type { BrowserContext, Page } from '@playwright/test';
import { ulid } from 'ulid';
import { curveBook } from '@core/paces/shippedPaceBooks';
import { parseStored } from '@core/session/parseSession';
import { athletePaces } from '@core/squad/athletePaces';
import { standardTrack } from '@core/venue/venue';
import type { RunEvent } from '@core/run/events';
import { makePlan } from '@core/planning/makePlan';
import type { Plan } from '@core/run/plan';
import { SQUAD } from './madeUpSquad';

const DAY = '2026-11-01';
const PEOPLE = SQUAD.slice(0, 24);

/** A session for 24 athletes. */
export function planOf(shorthand: string): Plan {
  const parsed = parseStored(shorthand);
  if (!parsed.ok) throw new Error(parsed.problems[0]?.message);
  const people = PEOPLE.map(({ name, marks }, i) => {
    const athlete = { id: ulid(), name, tileName: `T${i}`, status: 'training' as const, marks };
    return { id: athlete.id, name, tileName: athlete.tileName, paces: athletePaces(athlete, curveBook, DAY) };
  });
  const header = { id: ulid(), sessionId: ulid(), title: 'Bench', date: DAY, shorthand };
  return makePlan(header, parsed.session, people, standardTrack);
}

/** Opens the line board of a session in which this has happened, on a page of its own. */
export async function boardOf(context: BrowserContext, url: string, plan: Plan, events: RunEvent[]): Promise<Page> {
  const send = (method: string, path: string, body: object) =>
    fetch(`${url}/api/${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  await send('PUT', `runs/${plan.id}/plan`, plan);
  for (let at = 0; at < events.length; at += 500)
    await send('POST', `runs/${plan.id}/events`, { events: events.slice(at, at + 500) });
  const page = await context.newPage();
  await page.goto(`${url}/track/run/${plan.id}`);
  await page.getByRole('group', { name: 'Line board' }).getByRole('button').first().waitFor();
  return page;
}
