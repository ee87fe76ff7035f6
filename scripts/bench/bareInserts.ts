/** The least a post can be: Express, its JSON body, one insert that is flushed to the disk. `bareInserts.ts FOLDER` prints its address. */
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import Database from 'better-sqlite3';
import express from 'express';

const client = new Database(path.join(process.argv[2] ?? '.', 'bare.sqlite'));
client.pragma('journal_mode = WAL');
client.pragma('synchronous = FULL');
client.exec('CREATE TABLE events (id TEXT PRIMARY KEY, json TEXT)');
const insert = client.prepare('INSERT INTO events VALUES (?, ?)');
const app = express();
app.use(express.json());
app.post('/api/runs/:id/events', (req, res) => {
  const { events } = req.body as { events: { id: string }[] };
  for (const event of events) insert.run(event.id, JSON.stringify(event));
  res.json({ accepted: events.map(({ id }) => id) });
});
const server = app.listen(0, '127.0.0.1', () =>
  console.log(`http://127.0.0.1:${(server.address() as AddressInfo).port}`),
);
