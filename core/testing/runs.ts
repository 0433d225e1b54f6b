/** Set by the project of the tests: whether they may take minutes. */
declare const LONG: boolean;

/**
 * Runs of a property, or cases of a table, in a file `*.scaled.test.ts`: few in `npm test`, many in `npm run check:long`.
 * @example fc.assert(property, { numRuns: runs(3, 10) })
 */
export const runs = (quick: number, long: number): number => (LONG ? long : quick);
