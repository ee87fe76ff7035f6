import { Text } from './Text';

/** Shown while the server answers. */
export function Loading() {
  return (
    <Text quiet live="polite">
      One moment …
    </Text>
  );
}
