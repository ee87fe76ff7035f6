/** Nothing inside is reached by keys or read out; React Native's types do not know of it. */
export const INERT = { inert: true, 'aria-hidden': true } as object;
