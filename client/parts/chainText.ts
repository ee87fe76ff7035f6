/** Chains of levers in a coach's words. */
import type { ChainLink, Lever } from '@core/library/librarySession';
import { LEVER_FACTS } from '@core/library/levers';
import { LEVER_WORDS } from '@core/library/leverWords';

type Unit = { by: string; to: string };

/** In what a lever is counted: by how much at a time, and how far. Those that are no number have none. */
export const CHAIN_UNITS: Partial<Record<Lever, Unit>> = {
  more: { by: 'Reps at a time', to: 'Up to reps' },
  sets: { by: 'Sets at a time', to: 'Up to sets' },
  longer: { by: 'Metres or seconds at a time', to: 'Up to metres or seconds' },
  'longer-same': { by: 'Metres or seconds at a time', to: 'Up to metres or seconds' },
  'less-rest': { by: 'Seconds off at a time', to: 'Down to seconds' },
  fewer: { by: 'Reps at a time', to: 'Down to reps' },
};

/** `More of it, 1 at a time, up to 9` */
export function linkText({ lever, by, to }: ChainLink): string {
  const end = LEVER_FACTS[lever].way < 0 ? 'down to' : 'up to';
  return [
    LEVER_WORDS[lever],
    ...(by === undefined ? [] : [`${by} at a time`]),
    ...(to === undefined ? [] : [`${end} ${to}`]),
  ].join(', ');
}

/** `More of it, up to 9; then less rest, 10 at a time, down to 50` */
export const chainText = (chain: readonly ChainLink[]): string =>
  chain
    .map((link, i) => {
      const text = linkText(link);
      return i === 0 ? text : `then ${text.charAt(0).toLowerCase()}${text.slice(1)}`;
    })
    .join('; ');

/** A number as it was typed: nothing at all is no number, and no mistake. */
export function typedNumber(typed: string): { ok: true; value?: number } | { ok: false } {
  const text = typed.trim().replace(',', '.');
  if (text === '') return { ok: true };
  const value = Number(text);
  return Number.isFinite(value) && value > 0 && value <= 100_000 ? { ok: true, value } : { ok: false };
}
