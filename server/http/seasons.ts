import { Router } from 'express';
import { calendarQuery, noQuery } from '@core/api/querySchemas';
import { writeICalendar } from '@core/formats/iCalendar';
import { seasonWriteSchema, writeDaySchema } from '@core/api/seasonSchemas';
import { layOutSeason } from '@core/season/layout/layOut';
import { readLibrary } from '../db/library';
import { listSeasons, putSeason, readSeason, removeSeason, restoreSeason, writeDay } from '../db/seasons';
import { sessionsOn } from '../db/sessions';
import { validateBody, validateId, validateQuery } from './checked';
import type { Context } from './context';
import { notFound } from './errors';

const what = 'season';
/** A file name without characters that break file systems or headers. */
const fileName = (name: string) =>
  name
    .normalize('NFKD')
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'season';

/**
 * /api/seasons: as for every resource, but that a write names the version it was changed from; POST /:id/days writes the session of a day;
 * GET /:id/calendar.ics is the season as a calendar file.
 */
export function seasonsRouter({ db, nowMs }: Context): Router {
  const router = Router();
  const by = () => ({ actor: 'coach' as const, nowMs: nowMs() });
  router.get('/', (req, res) => {
    validateQuery(req, noQuery);
    res.json(listSeasons(db));
  });
  router.put('/:id', (req, res) => {
    res.json(putSeason(db, validateId(req), validateBody(req, seasonWriteSchema), by()));
  });
  router.delete('/:id', (req, res) => {
    if (!removeSeason(db, validateId(req), nowMs())) throw notFound(what);
    res.status(204).end();
  });
  router.post('/:id/restore', (req, res) => {
    if (!restoreSeason(db, validateId(req))) throw notFound(what);
    res.status(204).end();
  });
  router.post('/:id/days', (req, res) => {
    const written = writeDay(db, validateId(req), validateBody(req, writeDaySchema), by());
    if (!written) throw notFound(what);
    res.json(written);
  });
  router.get('/:id/calendar.ics', (req, res) => {
    const { days, time } = validateQuery(req, calendarQuery);
    const stored = readSeason(db, validateId(req));
    if (!stored) throw notFound(what);
    const { id, version, season } = stored;
    const weeks = layOutSeason(season);
    const lastDay = weeks.at(-1)?.days.at(-1)?.date;
    // A session that is another season's is in that one's calendar.
    const others = new Set(
      listSeasons(db).flatMap((other) => (other.id === id ? [] : other.season.fixed.map(({ sessionId }) => sessionId))),
    );
    const sessions = sessionsOn(db, { from: season.firstDay, ...(lastDay === undefined ? {} : { to: lastDay }) });
    const text = writeICalendar(
      { kind: 'season', season, weeks },
      {
        id,
        name: season.name,
        sequence: version,
        atMs: nowMs(),
        library: readLibrary(db),
        sessions: sessions.filter((session) => !others.has(session.id)),
        ...(days ? { days } : {}),
        ...(time === undefined ? {} : { startTime: time }),
      },
    );
    res
      .type('text/calendar; charset=utf-8')
      .attachment(`${fileName(season.name)}.ics`)
      .send(text);
  });
  return router;
}
