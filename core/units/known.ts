/** Only what is known: undefined fields are left out. */
export function known<T extends object>(fields: { [K in keyof Required<T>]: T[K] | undefined }): T {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as T;
}
