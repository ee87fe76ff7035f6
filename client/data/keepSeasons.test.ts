import type { SeasonPlan, StoredSeason } from '@core/season/season';
import { keepSeasons, restoreSeasons, type PutSeason } from './keepSeasons';

const named = (name: string) => ({ name }) as SeasonPlan;
const stored = (id: string, name: string): StoredSeason => ({ id, version: 1, season: named(name) });

/** A server that takes a season only from its latest version, and never these. */
function serverOf(seasons: readonly StoredSeason[], refused: readonly string[] = []) {
  const kept = new Map(seasons.map((season) => [season.id, season]));
  const put: PutSeason = (sent) => {
    const { id, version, season } = sent;
    if (kept.get(id)?.version !== version || refused.includes(id)) return Promise.resolve({ error: 'refused' });
    const next = { id, version: version + 1, season };
    kept.set(id, next);
    return Promise.resolve({ data: next });
  };
  return { put, names: () => [...kept.values()].map(({ season }) => season.name) };
}

const BEFORE = [stored('a', 'A'), stored('b', 'B')];
const CHANGED = BEFORE.map((before) => ({ before, next: named(`${before.season.name}, ticked`) }));

test('seasons are saved together, and restored together', async () => {
  const server = serverOf(BEFORE);
  const done = await keepSeasons(server.put, CHANGED);
  expect(server.names()).toEqual(['A, ticked', 'B, ticked']);
  expect(done.ok && (await restoreSeasons(server.put, done.saved))).toBeUndefined();
  expect(server.names()).toEqual(['A', 'B']);
});

test('when the second is refused, the first is as it was', async () => {
  const server = serverOf(BEFORE, ['b']);
  expect(await keepSeasons(server.put, CHANGED)).toEqual({ ok: false, error: 'refused' });
  expect(server.names()).toEqual(['A', 'B']);
});
