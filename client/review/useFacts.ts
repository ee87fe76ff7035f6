import { useDeferredValue, useMemo } from 'react';
import type { CareRecord } from '@core/judgement/care';
import { factsOf, type KnownBefore, type SessionFacts } from '@core/judgement/facts';
import type { Plan } from '@core/run/plan';
import type { SquadMember } from '@core/squad/athlete';
import { useCare, type CareView } from '../data/useCare';
import { memberOf, pacesOf, useSquad, type SquadView } from '../data/useSquad';
import { useTellings, type Tellings } from '../data/useTellings';
import type { ReadRun } from './useReview';

/** Effort above the meant one at the end of the session before. */
function aboveBefore(records: readonly CareRecord[], runId: string, date: string): number | undefined {
  const before = records.findLast((record) => record.date < date && record.runId !== runId);
  if (before?.lastEffort === undefined || before.meantLast === undefined) return undefined;
  return before.lastEffort - before.meantLast;
}

type Known = { squad: SquadView; tellings: Tellings; care: CareView };

/** An athlete's curve of the day; marks kept from this very session must not confirm it. */
export function knownCurve(athlete: SquadMember, { id, date }: Pick<Plan, 'id' | 'date'>, squad: SquadView) {
  const marks = athlete.marks.filter(({ runId }) => runId !== id);
  return pacesOf(marks.length === athlete.marks.length ? athlete : { ...athlete, marks }, squad, date).curve;
}

/** Facts known of an athlete on the day; undefined outside the squad. */
function knownBefore(athleteId: string, plan: Pick<Plan, 'id' | 'date'>, { squad, tellings, care }: Known) {
  const athlete = memberOf(squad, athleteId);
  if (!athlete) return undefined;
  const curve = knownCurve(athlete, plan, squad);
  const telling = tellings[athleteId];
  const { records = [], usual } = care.known[athleteId] ?? {};
  const above = aboveBefore(records, plan.id, plan.date);
  const known: KnownBefore = {
    care: care.of.get(athleteId) ?? [],
    ...(curve ? { curve } : {}),
    ...(telling ? { telling } : {}),
    ...(usual ? { usual } : {}),
    ...(above === undefined ? {} : { aboveBefore: above }),
  };
  return known;
}

/**
 * The facts of a session, a moment after its times are there: first by the times alone, then with all that is known of everyone.
 * `isWhole` is false until then. `isSettled` is false until they are whole, or the squad cannot be asked for: until then nothing should
 * be concluded that would have to be taken back.
 */
export function useFacts(now: ReadRun): { facts: SessionFacts; isWhole: boolean; isSettled: boolean } {
  const read = useDeferredValue(now);
  const { squad, error } = useSquad();
  const isFailed = error !== undefined;
  const tellings = useTellings(read.plan.date);
  const care = useCare(squad, read.plan.date);
  return useMemo(() => {
    const { plan, state, reviews } = read;
    if (!squad || !tellings || !care)
      return { facts: factsOf({ plan, state, reviews }), isWhole: false, isSettled: isFailed };
    const { heat } = squad.settings;
    return {
      facts: factsOf({
        plan,
        state,
        reviews,
        ...(heat ? { heat } : {}),
        knownOf: (athleteId) => knownBefore(athleteId, plan, { squad, tellings, care }),
      }),
      isWhole: true,
      isSettled: true,
    };
  }, [read, squad, tellings, care, isFailed]);
}
