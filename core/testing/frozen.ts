/**
 * A value in which nothing can be changed any more, however deep: what is kept with an object holds only while nobody
 * writes to it, and in a test such a write throws.
 */
export function frozen<T>(value: T): T {
  if (typeof value !== 'object' || value === null || Object.isFrozen(value)) return value;
  Object.freeze(value);
  for (const part of Object.values(value)) frozen(part);
  return value;
}
