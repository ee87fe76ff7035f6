import { useMemo } from 'react';
import { careFor, type CareEntry, type CareKnown } from '@core/judgement/care';
import { useCareOnQuery } from '../store/api';
import { useSquadOn } from './useSeasons';
import { everyoneIn, type SquadView } from './useSquad';

/** Care for everyone on a day: the records it rests on, and each athlete's entries. */
export type CareView = {
  known: Readonly<Record<string, CareKnown>>;
  of: ReadonlyMap<string, readonly CareEntry[]>;
};

const NOTHING_KNOWN: Readonly<Record<string, CareKnown>> = {};

/**
 * Everyone's care on a day (YYYY-MM-DD), that day's sessions included. Undefined until it is known; where the server cannot be asked, what
 * the squad alone says.
 */
export function useCare(squad: SquadView | undefined, day: string): CareView | undefined {
  const { data, isError } = useCareOnQuery(day);
  const onTheDay = useSquadOn(squad, day);
  const youngUnder = squad?.settings.club?.youngUnder;
  return useMemo(() => {
    const known = data ?? (isError ? NOTHING_KNOWN : undefined);
    if (!onTheDay || !known) return undefined;
    const of = new Map(
      everyoneIn(onTheDay).map((athlete) => {
        const { records = [], creep } = known[athlete.id] ?? {};
        return [athlete.id, careFor(athlete, records, day, { creep, youngUnder })] as const;
      }),
    );
    return { known, of };
  }, [onTheDay, data, isError, day, youngUnder]);
}
