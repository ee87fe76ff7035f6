/**
 * A plan as the first app sent it, with one list of reps for everyone, in today's shape: a phone may still hold one that it has not sent. The
 * plans stored then were changed in the same way (migration 0004). Anything else is left as it is.
 */
export function fromEarlierPlan(sent: unknown): unknown {
  if (typeof sent !== 'object' || sent === null || !('reps' in sent) || 'groups' in sent) return sent;
  const { reps, athletes, ...plan } = sent as Record<string, unknown>;
  return { ...plan, groups: [{ id: 'all', name: 'Everyone', reps, athletes }] };
}
