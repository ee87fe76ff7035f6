const IN_A_ROW = new Intl.ListFormat('en-GB');

/** Names in a row, as they are said: `Ada`, `Ada and Bo`, `Ada, Bo and Cleo`. */
export const listed = (names: readonly string[]): string => IN_A_ROW.format(names);
