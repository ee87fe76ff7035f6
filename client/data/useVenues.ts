import { useMemo } from 'react';
import { venueOf } from '@core/venue/ownVenue';
import { standardTrack, VENUES, type Venue } from '@core/venue/venue';
import { useVenuesQuery } from '../store/api';

/** Every place a session can be run at: the usual ones, then the coach's own. */
export function useVenues(): readonly Venue[] {
  const { data } = useVenuesQuery();
  return useMemo(() => [...VENUES, ...(data ?? []).map(venueOf)], [data]);
}

/** The place with this id; the standard track where it is gone. */
export const venueById = (venues: readonly Venue[], id: string | undefined): Venue =>
  venues.find((venue) => venue.id === id) ?? standardTrack;
