import { ulid } from 'ulid';
import { OwnProcess } from '../../e2e/ownProcess';
import type { SQUAD } from './madeUpSquad';

/** A server with these athletes and nothing else. */
export async function serverWith(athletes: typeof SQUAD): Promise<OwnProcess> {
  const app = new OwnProcess({ kind: 'club' });
  await app.start();
  await fetch(`${app.url}/api/squad/changes`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ athletes: athletes.map((athlete) => ({ id: ulid(), ...athlete })) }),
  });
  return app;
}
