import { venueSchema } from '@core/api/dayPlanSchema';
import { listVenues, putVenue, removeVenue, restoreVenue } from '../db/venues';
import { resourceRouter } from './resource';

/** /api/venues: places the coach has measured. */
export const venuesRouter = resourceRouter({
  what: 'place',
  schema: venueSchema,
  list: listVenues,
  put: putVenue,
  remove: removeVenue,
  restore: restoreVenue,
});
