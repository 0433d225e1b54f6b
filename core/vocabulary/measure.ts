/** Units a measured value is told in; the empty one is a plain share. */
export type Unit = '' | 's' | '°' | 'N·m' | 'kg' | '°/s' | 'heat' | 'fingers' | 'times' | 'reps' | 'words';

/** What a value is rounded to before it is told, and so before it is compared: nobody reads “75 (limit 75)”. */
function stepOf(value: number, unit: Unit): number {
  if (unit === '') return 0.01;
  const fine = unit === 'kg' || unit === 'N·m' || unit === 'fingers' || unit === 'reps';
  return fine && Math.abs(value) < 10 ? 0.1 : 1;
}

/** A value as it is told. @example rounded(75.3, 's') // 75 */
export function rounded(value: number, unit: Unit): number {
  const step = stepOf(value, unit);
  // Divided by the inverse: 0.1 has no exact binary fraction, 10 has.
  return step < 1 ? Math.round(value / step) / Math.round(1 / step) : Math.round(value);
}

/** Whether a value passes its limit as both are told; one that equals it is within. */
export const isOver = (value: number, limit: number, unit: Unit): boolean =>
  value > limit && rounded(value, unit) > rounded(limit, unit);
/** Whether a value falls short of its limit as both are told. */
export const isUnder = (value: number, limit: number, unit: Unit): boolean =>
  value < limit && rounded(value, unit) < rounded(limit, unit);
