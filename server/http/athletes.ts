import { athleteSchema } from '@core/formats/schemas';
import { listAthletes, putAthlete, removeAthlete, restoreAthlete } from '../db/athletes';
import { resourceRouter } from './resource';

/** /api/athletes */
export const athletesRouter = resourceRouter({
  what: 'athlete',
  schema: athleteSchema,
  list: listAthletes,
  put: putAthlete,
  remove: removeAthlete,
  restore: restoreAthlete,
});
