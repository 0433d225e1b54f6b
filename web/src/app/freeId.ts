import { idOf } from '@warm-ladder/core/vocabulary';

/** Eight letters and digits drawn at random: among a thousand names alike, two meet once in some millions of studios. */
const suffix = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(8)), (byte) => (byte % 36).toString(36)).join('');

/**
 * A new document's id, made from a name: `Rowers, sixty` becomes `rowers-sixty-k3f9a2xq`. No other tab makes the same, so
 * that two documents made at once stay two.
 */
export const newId = (name: string): string => `${idOf(name)}-${suffix()}`;

/** A free id inside a document, as a rung's or a pose's: `one-heel`, or `one-heel-2`. */
export function freeId(name: string, taken: ReadonlyArray<{ readonly id: string }>): string {
  const base = idOf(name);
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!taken.some((each) => each.id === id)) return id;
  }
}
