/** Some keys of a whole, each with what it becomes; `undefined` takes one away. */
export type Parts<T> = { readonly [K in keyof T]?: T[K] | undefined };

/**
 * A whole with some of its keys changed; a key that is `undefined` is not in it.
 * @example withParts({ id: 'a', note: 'old' }, { note: undefined }) // { id: 'a' }
 */
export const withParts = <T extends object>(whole: T, parts: Parts<T>): T =>
  Object.fromEntries(Object.entries({ ...whole, ...parts }).filter(([, value]) => value !== undefined)) as T;

/** The same of what may not be there; `undefined` where nothing is left of it. */
export function withPartsOrNone<T extends object>(whole: T | undefined, parts: Parts<T>): T | undefined {
  const made = withParts((whole ?? {}) as T, parts);
  return Object.keys(made).length > 0 ? made : undefined;
}
