import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { openDatabase, type Db } from './open';
import { groups } from './schema';
import { WriteTogether } from './writeTogether';

let folder: string;
let db: Db;
let together: WriteTogether;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-together-'));
  db = openDatabase(folder);
  together = new WriteTogether(db);
});
afterEach(() => {
  db.$client.close();
  fs.rmSync(folder, { recursive: true });
});

const names = () =>
  db
    .select({ name: groups.name })
    .from(groups)
    .all()
    .map(({ name }) => name)
    .sort();
const add = (name: string) => () => {
  db.insert(groups).values({ id: name, name, place: 0 }).run();
  return name;
};

test('writes of one turn are one transaction, each with its own result', async () => {
  const transactions = jest.spyOn(db.$client, 'transaction');
  expect(await Promise.all(['a', 'b', 'c'].map((name) => together.add(add(name))))).toEqual(['a', 'b', 'c']);
  expect(names()).toEqual(['a', 'b', 'c']);
  // One around all of them, and a savepoint for each.
  expect(transactions).toHaveBeenCalledTimes(4);
});

test('a write that throws is undone by itself; the others are stored', async () => {
  const failing = () => {
    add('half')();
    throw new Error('no');
  };
  const [first, second, third] = await Promise.allSettled([
    together.add(add('a')),
    together.add(failing),
    together.add(add('b')),
  ]);
  expect([first.status, second.status, third.status]).toEqual(['fulfilled', 'rejected', 'fulfilled']);
  expect(names()).toEqual(['a', 'b']);
});

test('where the disk is full nothing of the batch is stored, and nobody is told that it is', async () => {
  db.$client.pragma(`max_page_count = ${String(db.$client.pragma('page_count', { simple: true }))}`);
  const many = () => {
    for (let i = 0; i < 2000; i++) add(`row ${i} ${'x'.repeat(200)}`)();
  };
  const [one, tooMany] = await Promise.allSettled([together.add(add('a')), together.add(many)]);
  expect(tooMany.status).toBe('rejected');
  const stored = names();
  expect(stored.includes('a')).toBe(one.status === 'fulfilled');
  expect(stored.filter((name) => name.startsWith('row'))).toEqual([]);
});
