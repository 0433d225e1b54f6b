/** What a spreadsheet would run as a formula, or what already begins with the mark that keeps it from being run. */
const RUNS = /^(?:'|[=+\-@\t\r\n])/;

/**
 * A text that no spreadsheet runs: a leading apostrophe stands before it, and is taken off again when it is read. So is
 * one of the text's own, which would otherwise be taken for that mark.
 */
export const inert = (cell: string | number): string | number =>
  typeof cell === 'string' && RUNS.test(cell) ? `'${cell}` : cell;
