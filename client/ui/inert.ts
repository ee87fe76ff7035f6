/** Nothing inside is reached by keys or read out; React Native's types do not know of it. */
export const INERT = { inert: true } as object;
