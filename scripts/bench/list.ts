import fs from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import express, { type Express } from 'express';
import pino from 'pino';
import { ulid } from 'ulid';
import { openDatabase } from '@server/db/open';
import { changeSquad } from '@server/db/squad';
import { makeApp } from '@server/http/app';
import { SQUAD } from './madeUpSquad';
import { report, timed } from './measure';

async function listening(app: Express): Promise<{ server: Server; url: string }> {
  const server = app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  return { server, url: `http://127.0.0.1:${(server.address() as AddressInfo).port}` };
}

/** The list of the squad from the database, against the same JSON from a bare Express handler. */
export async function list(): Promise<void> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-bench-'));
  const db = openDatabase(folder);
  changeSquad(db, { athletes: SQUAD.map((athlete) => ({ id: ulid(), ...athlete })) }, Date.now());
  const log = pino({ base: null }, fs.createWriteStream(path.join(folder, 'log')));
  const ours = await listening(makeApp({ db, log, nowMs: Date.now }));
  const address = `${ours.url}/api/athletes`;
  const same: unknown = await (await fetch(address)).json();
  const bare = await listening(express().get('/', (_req, res) => void res.json(same)));
  const get = (url: string) => async () => (await fetch(url)).text();
  const [appMs, base] = [await timed(300, get(address)), await timed(300, get(bare.url))];
  report('the list of 60 athletes, 12 marks each', appMs, { against: ['the same JSON from a bare handler', base] });
  for (const { server } of [ours, bare]) {
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
  }
  db.$client.close();
  fs.rmSync(folder, { recursive: true });
}
