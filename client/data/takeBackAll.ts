/** Takes one change back. */
export type TakeBack = () => PromiseLike<{ error?: unknown }> | void;

/** Takes changes back, the last one first, and all of them even where one fails. @returns the first error, if any. */
export async function takeBackAll(made: readonly TakeBack[]): Promise<{ error?: unknown }> {
  let firstError: unknown;
  for (const takeBack of [...made].reverse()) {
    const undone = await takeBack();
    firstError ??= undone?.error;
  }
  return firstError === undefined ? {} : { error: firstError };
}
