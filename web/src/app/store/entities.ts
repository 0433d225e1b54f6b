import { createEntityAdapter, type EntityState } from '@reduxjs/toolkit';
import {
  type Bundle,
  COLLECTIONS,
  type CollectionName,
  type DocumentKind,
  type DocumentOf,
  emptyBundle,
} from '@warm-ladder/core/formats';
import { setAutoFreeze } from 'immer';

// A studio of five thousand rungs is frozen for half a second as it opens; what is read here is never written to.
setAutoFreeze(false);

/** The documents of the studio that is open, each kind by id and in the studio's order. */
export type Entities = { readonly method: Bundle['method'] } & {
  readonly [C in CollectionName]: EntityState<DocumentOf<C>, string>;
};

const adapter = createEntityAdapter<{ readonly id: string }>();
const { selectAll } = adapter.getSelectors();

export function entitiesOf(bundle: Bundle): Entities {
  const kept = COLLECTIONS.map((name) => [name, adapter.setAll(adapter.getInitialState(), bundle[name] ?? [])]);
  return { method: bundle.method, ...Object.fromEntries(kept) };
}

/** All of a kind, in the studio's order; the same list as long as none of them changes. */
export const listOf = <C extends CollectionName>(entities: Entities, name: C): Array<DocumentOf<C>> =>
  selectAll(entities[name]) as unknown as Array<DocumentOf<C>>;

/** The studio as a bundle, for what reads one: empty kinds are left out. */
export function asBundle(entities: Entities): Bundle {
  const lists = COLLECTIONS.map((name) => [name, listOf(entities, name)] as const);
  const { method } = entities;
  return {
    ...emptyBundle(),
    ...(method ? { method } : {}),
    ...Object.fromEntries(lists.filter(([, list]) => list.length > 0)),
  };
}

export function documentOf<K extends DocumentKind>(entities: Entities, kind: K, id: string): DocumentOf<K> | undefined {
  if (kind === 'method') return entities.method as DocumentOf<K> | undefined;
  const { entities: byId } = entities[kind as CollectionName];
  // An address may say any word, and every object answers to "constructor".
  return (Object.hasOwn(byId, id) ? byId[id] : undefined) as DocumentOf<K> | undefined;
}

/** The same with one document put in its place, added at the end, or (`undefined`) taken out. */
export function withValue(entities: Entities, kind: DocumentKind, id: string, value: unknown): Entities {
  if (kind === 'method') return { ...entities, method: value as Bundle['method'] };
  const kept = entities[kind] as unknown as EntityState<{ id: string }, string>;
  const next = value === undefined ? adapter.removeOne(kept, id) : adapter.setOne(kept, value as { id: string });
  return { ...entities, [kind]: next };
}
