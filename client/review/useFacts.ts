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

/** Facts of nobody, while they are gathered. */
const noFacts = (plan: Plan): SessionFacts => ({ plan, athletes: [], isOpenEnded: false, isOver: false });

/**
 * The facts of a session, a moment after its times are there; of nobody until all that is known of everyone is here, so that nothing is
 * concluded that would have to be taken back. By the times alone if the squad cannot be asked for: `isWhole` is false then.
 */
export function useFacts(now: ReadRun): { facts: SessionFacts; isWhole: boolean; isSettled: boolean } {
  // The times are drawn first.
  const read = useDeferredValue<ReadRun | undefined>(now, undefined);
  const { squad, error } = useSquad();
  const isFailed = error !== undefined;
  const tellings = useTellings(now.plan.date);
  const care = useCare(squad, now.plan.date);
  const known = useMemo(
    () => (squad && tellings && care ? { squad, tellings, care } : undefined),
    [squad, tellings, care],
  );
  const facts = useMemo(() => {
    if (!read || (!known && !isFailed)) return undefined;
    const { plan, state, reviews } = read;
    if (!known) return factsOf({ plan, state, reviews });
    const { heat } = known.squad.settings;
    return factsOf({
      plan,
      state,
      reviews,
      ...(heat ? { heat } : {}),
      knownOf: (athleteId) => knownBefore(athleteId, plan, known),
    });
  }, [read, known, isFailed]);
  const nobody = useMemo(() => noFacts(now.plan), [now.plan]);
  return {
    facts: facts ?? nobody,
    isWhole: facts !== undefined && known !== undefined,
    isSettled: facts !== undefined,
  };
}
