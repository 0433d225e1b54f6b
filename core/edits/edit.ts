/** What JSON can hold. */
export type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };

/** An item of a list that can be pointed at. */
export interface Item {
  readonly id: string;
  readonly [key: string]: Json;
}

/** A step into a document: a key of an object, or the item of a list by its id. */
export type Step = string | { readonly id: string };

/**
 * One change inside a document, said so that it can be taken back and made again elsewhere: it knows what was there, and
 * points at items by their ids, never by their place.
 * `set` gives a key a value, or takes it away where none is said; `put`, `take` and `move` are of items of a list, each
 * before another one (`null`: at the end).
 */
export type Change =
  | { readonly op: 'set'; readonly path: readonly Step[]; readonly value?: Json; readonly was?: Json }
  | { readonly op: 'put'; readonly path: readonly Step[]; readonly item: Item; readonly before: string | null }
  | { readonly op: 'take'; readonly path: readonly Step[]; readonly item: Item; readonly before: string | null }
  | {
      readonly op: 'move';
      readonly path: readonly Step[];
      readonly id: string;
      readonly before: string | null;
      readonly was: string | null;
    };

/** Changes of one document, in their order: the one vocabulary of edits for every kind. JSON as it stands. */
export type Edit = readonly Change[];

/** An edit does not fit a document: what it would change is not as it left it. */
export class EditClash extends Error {
  override readonly name = 'EditClash';
  readonly path: readonly Step[];

  constructor(path: readonly Step[], message: string) {
    super(message);
    this.path = path;
  }
}

/** A path as one speaks of it: `blocks.b3.dose`. */
export const stepsText = (path: readonly Step[]): string =>
  path.map((step) => (typeof step === 'string' ? step : step.id)).join('.');
