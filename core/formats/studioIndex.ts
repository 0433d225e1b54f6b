import type { Problem } from '../plan';
import type { Catalog, Prop } from '../repertoire';
import type { CollectionName, DocumentKind, DocumentOf } from './file/bundle';

/** What a document is held against: the repertoire made ready, and which ids are there. */
export interface StudioIndex {
  readonly catalog: Catalog;
  readonly props: readonly Prop[];
  has(collection: CollectionName, id: string): boolean;
  get<K extends DocumentKind>(kind: K, id: string): DocumentOf<K> | undefined;
}

/** What one of each list is called. */
const SINGULAR: Readonly<Record<CollectionName, string>> = {
  positions: 'position',
  props: 'prop',
  exercises: 'exercise',
  audiences: 'audience',
  teachers: 'teacher',
  rooms: 'room',
  classes: 'class',
  series: 'series',
  logs: 'log',
  questions: 'question',
};

/** A problem where an id is said and nothing has it. */
export function absent(
  studio: StudioIndex,
  collection: CollectionName,
  id: string | undefined,
  path: Problem['path'],
): Problem[] {
  if (id === undefined || studio.has(collection, id)) return [];
  return [{ path, message: `There is no ${SINGULAR[collection]} “${id}”.` }];
}

/** The same for each of a list. */
export const missing = (
  studio: StudioIndex,
  collection: CollectionName,
  ids: readonly string[],
  path: Problem['path'],
): Problem[] => ids.flatMap((id, index) => absent(studio, collection, id, [...path, index]));

/** Whether a list names each id once. */
export function repeatedIds(list: ReadonlyArray<{ readonly id: string }>, path: Problem['path']): Problem[] {
  const seen = new Set<string>();
  return list.flatMap(({ id }, index) => {
    const known = seen.has(id);
    seen.add(id);
    return known ? [{ path: [...path, index, 'id'], message: `The id “${id}” stands twice; expected each once.` }] : [];
  });
}

/** The sentence for a position that is not there. */
export const notAPosition = (graph: Catalog['graph'], position: string): string =>
  `“${position}” is not a position; expected one of ${graph.positions.join(', ')}.`;
