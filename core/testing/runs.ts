/** Set by the project of the tests: whether they may take minutes. */
declare const LONG: boolean;

/**
 * Runs of a property, or cases of a table, in a file `*.scaled.test.ts`: few in `npm test`, many in `npm run check:long`.
 * @example fc.assert(property, { numRuns: runs(3, 10) })
 */
export const runs = (quick: number, long: number): number => (LONG ? long : quick);

/**
 * Of a long list every so-manieth, from the first on, in `npm test`; all of it in `npm run check:long`.
 * @example sampled(house.rungs, 5)
 */
export const sampled = <T>(list: readonly T[], every: number): readonly T[] =>
  LONG ? list : list.filter((_, i) => i % every === 0);
