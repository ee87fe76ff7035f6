import { Words } from './Words';

/** Shown while the server answers. */
export function Loading() {
  return (
    <Words quiet live="polite">
      One moment …
    </Words>
  );
}
