/**
 * A size of letters, or of what holds them, that follows what the reader has set in the browser: --letters is set in page.css. React
 * Native's types know of numbers alone; its web target takes both.
 * @param px the size where nothing is set, in px
 */
export const rem = (px: number): number => `calc(${px / 16} * var(--letters))` as unknown as number;
