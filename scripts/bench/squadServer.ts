import { ulid } from 'ulid';
import { RunningApp } from '../../e2e/app';
import type { SQUAD } from './madeUpSquad';

/** A server with these athletes and nothing else. */
export async function serverWith(athletes: typeof SQUAD): Promise<RunningApp> {
  const app = new RunningApp('server/main.ts');
  await app.start();
  await fetch(`${app.url}/api/squad/changes`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ athletes: athletes.map((athlete) => ({ id: ulid(), ...athlete })) }),
  });
  return app;
}
