import type { AthleteState, RunState } from '@core/run/runState';

/** Everyone who is here or still expected, in the order of the groups: always in the same place. */
export function inOrder(state: RunState, shown: ReadonlySet<string>): AthleteState[] {
  const everyone = Object.values(state.athletes).filter(({ presence }) => presence !== 'absent');
  return state.groups
    .filter(({ id }) => shown.has(id))
    .flatMap(({ id }) => everyone.filter(({ groupId }) => groupId === id));
}
