import { usePalette } from './theme';

/** A lap cut open like a fruit: the track as the rind, its segments inside. */
export function Logo({ size = 32 }: { size?: number }) {
  const palette = usePalette();
  return (
    <svg width={size} height={size} viewBox="0 0 48 48" role="img" aria-label="Zest Lap">
      <path d="M17 9h14a15 15 0 0 1 0 30H17a15 15 0 0 1 0-30z" fill="none" stroke={palette.ink} strokeWidth={4.5} />
      <path
        d="M24 24L31 16M24 24h10.5M24 24L31 32M24 24L17 32M24 24H13.500M24 24L17 16"
        stroke={palette.dark ? palette.action : palette.on}
        strokeWidth={3}
        strokeLinecap="round"
      />
    </svg>
  );
}
