import type { TestServer } from './testServer';

/** Stores an athlete under an id, by a change of the squad. */
export const putAthlete = (server: TestServer, id: string, athlete: object = { name: 'Ada', marks: [] }) =>
  server.call('POST', '/api/squad/changes', { athletes: [{ id, ...athlete }] });
