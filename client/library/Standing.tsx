import { useMemo } from 'react';
import type { Standing as StandingOf } from '@core/review/history';
import { listed } from '@core/units/listed';
import { useSquad } from '../data/useSquad';
import { useStandingsQuery } from '../store/api';
import { Text } from '../ui/Text';

/** Somebody on a progression, by name. */
export type Stands = StandingOf & { name: string };

/** Where everyone stands; nobody until it is known. */
export function useStandings(progressionId: string): Stands[] {
  const { data } = useStandingsQuery(progressionId);
  const { squad } = useSquad();
  return useMemo(() => {
    const names = new Map((squad?.athletes ?? []).map(({ id, tileName }) => [id, tileName]));
    return (data ?? []).flatMap((standing): Stands[] => {
      const name = names.get(standing.athleteId);
      return name === undefined ? [] : [{ ...standing, name }];
    });
  }, [data, squad]);
}

/** The step somebody is to run next: the one after, the same, or the one before, as the coach decided; the last one run until then. */
export function stepToRun({ stepId, nextStep }: StandingOf, stepIds: readonly string[]): string | undefined {
  const at = stepIds.indexOf(stepId);
  if (nextStep === undefined || at < 0) return undefined;
  const to = nextStep === 'on' ? at + 1 : nextStep === 'back' ? Math.max(0, at - 1) : at;
  return stepIds[Math.min(to, stepIds.length - 1)];
}

/** Who is to run a step next, and of whom it was the last one they ran. */
export function Standing({
  standings,
  stepIds,
  step,
}: {
  standings: readonly Stands[];
  stepIds: readonly string[];
  step: string;
}) {
  const next = standings.filter((stands) => stepToRun(stands, stepIds) === step).map(({ name }) => name);
  const last = standings
    .filter((stands) => stands.stepId === step && stepToRun(stands, stepIds) === undefined)
    .map(({ name }) => name);
  return (
    <>
      {next.length > 0 && <Text as="small">{`Next for ${listed(next)}.`}</Text>}
      {last.length > 0 && <Text as="small">{`Run last by ${listed(last)}; what comes next is not decided.`}</Text>}
    </>
  );
}
