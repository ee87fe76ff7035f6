import { useDeferredValue, useMemo, useState } from 'react';
import type { Intent } from '@core/session/intent';
import { sessionCautions } from '@core/advice/sessionCautions';
import type { SessionTree } from '@core/session/session';
import { suggestIntent } from '@core/advice/suggestIntent';
import { SHIPPED_GUIDES } from '@core/squad/volumeGuides';
import { trialCaution } from '@core/advice/cautions';
import { plansForEveryone } from '@core/planning/makePlan';
import { restsOf, schoolsOf, usualRecovery } from '@core/squad/schools';
import { shareOfLimit } from '@core/targets/totals';
import { speedOfEntry } from '@core/paces/paceBook';
import { formatTime } from '@core/units/time';
import { athleteWithKm, useKmSource } from '../../../data/useKmSource';
import { runnersOf } from '../../../data/runners';
import { pacesOf, squadPaceBookOf, type SquadView } from '../../../data/useSquad';
import type { PaceBookView } from '../build/PacePanel';
import { useVenue } from '../look/LapView';
import { endsOf, spanOf, viewSession } from '../../../data/sessionView';

/** Everything that is looked at while a session is written, for this squad on this day (YYYY-MM-DD). */
export function useLook(session: SessionTree | undefined, squad: SquadView, date: string, chosen: Intent | undefined) {
  const venue = useVenue();
  const [whoseId, setWhoseId] = useState<string>();
  const km = useKmSource();
  const people = useMemo(
    () =>
      squad.athletes.map((athlete) => ({ id: athlete.id, name: athlete.name, paces: pacesOf(athlete, squad, date) })),
    [squad, date],
  );
  const timed = useMemo(() => people.filter(({ paces }) => paces.curve !== undefined), [people]);
  const whose = timed.find(({ id }) => id === whoseId) ?? timed[0];
  const paceBook = squadPaceBookOf(squad);
  const suggested = useMemo(() => (session ? suggestIntent(session, paceBook) : 'mixed'), [session, paceBook]);
  const intent = chosen ?? suggested;
  const view = useMemo(() => session && viewSession(session, whose, venue), [session, whose, venue]);
  const outer = useMemo(() => endsOf(timed), [timed]);
  const ends = useMemo(() => (session ? spanOf(session, outer, venue) : []), [session, outer, venue]);
  // What concerns everyone may come a moment later than what is drawn.
  const settled = useDeferredValue(session);
  const cautions = useMemo(() => {
    if (!settled) return [];
    // The same targets as the table's, so that both speak of one session.
    const runners = runnersOf(squad.athletes, squad, date);
    const plans = plansForEveryone({
      session: settled,
      intent,
      runners,
      venue,
      rests: restsOf(squad.settings.schools),
    });
    const entrants = plans.flatMap(({ runner, legs }) => {
      const athlete = squad.athletes.find(({ id }) => id === runner.id);
      const { curve } = runner.paces;
      return athlete
        ? [{ athlete: athleteWithKm(athlete, squad, km), legs, shareOfLimit: curve && shareOfLimit(curve, legs) }]
        : [];
    });
    const guides = squad.settings.guides ?? SHIPPED_GUIDES;
    const trial = trialCaution(settled, squad.athletes, date);
    return [
      ...sessionCautions({ session: settled, intent, entrants, guides, date, paceBook }),
      ...(trial === undefined ? [] : [trial]),
    ];
  }, [settled, squad, km, date, intent, venue, paceBook]);
  const book = useMemo(
    (): PaceBookView => ({
      names: squad.paceNames,
      describe: (name) => {
        const speedMps = whose?.paces.curve && speedOfEntry(whose.paces.paceBook, name, whose.paces.curve);
        return speedMps === undefined ? undefined : `${formatTime(400 / speedMps, 0, 60)} a 400`;
      },
      rest: usualRecovery(schoolsOf(squad.settings)),
    }),
    [squad.paceNames, squad.settings, whose],
  );
  return { view, venue, ends, cautions, suggested, intent, whose, people: timed, setWhoseId, book };
}
