/** Words as they begin a sentence or a button. */
export const capitalised = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
