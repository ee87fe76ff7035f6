import type { RecoveryLeg } from './expand';
import { formatRecovery } from './formatSession';

/** A recovery as it is laid out, in shorthand: `90s walk`. */
export function formatRecoveryLeg(leg: RecoveryLeg): string {
  const manner = leg.manner ? { manner: leg.manner } : {};
  if (leg.untilReady) {
    const pulse = leg.pulse ? `, pulse ${leg.pulse.from}–${leg.pulse.to}` : '';
    return `${formatRecovery({ amount: { kind: 'ready' }, ...manner })}${pulse}`;
  }
  if (leg.distanceM !== undefined)
    return formatRecovery({ amount: { kind: 'distance', distanceM: leg.distanceM }, ...manner });
  if (leg.shareOfRep !== undefined)
    return formatRecovery({ amount: { kind: 'share', percent: Math.round(leg.shareOfRep * 100) }, ...manner });
  const durationS = leg.durationS ?? 0;
  return formatRecovery({ amount: { kind: 'time', minS: leg.minDurationS ?? durationS, maxS: durationS }, ...manner });
}
