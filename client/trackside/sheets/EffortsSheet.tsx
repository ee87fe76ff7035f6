import { EffortRows, type EffortRow } from '../../ui/EffortRows';
import { PrimaryButton } from '../../ui/PrimaryButton';
import type { Run } from '../../log/useRun';
import { Sheet } from './Sheet';

/** Asked once, at the end: how hard it was as a whole. It can be left for later, in the results. */
export function EffortsSheet({ run, close }: { run: Run; close: () => void }) {
  const rows = Object.values(run.state.athletes).flatMap(({ athleteId, name, sessionEffort, runs }): EffortRow[] => {
    const lastEffort = runs.findLast(({ effort }) => effort !== undefined)?.effort;
    if (runs.length === 0) return [];
    return [
      {
        athleteId,
        name,
        ...(sessionEffort === undefined ? {} : { sessionEffort }),
        ...(lastEffort === undefined ? {} : { lastEffort }),
      },
    ];
  });
  return (
    <Sheet
      title="How hard was it as a whole?"
      subtitle="From 1 to 10. What is left out can be told later, in the results."
      close={close}
    >
      <EffortRows
        rows={rows}
        onChange={(athleteId, effort) => run.happen({ type: 'sessionFelt', athleteId, effort })}
      />
      <PrimaryButton onPress={close}>Done</PrimaryButton>
    </Sheet>
  );
}
