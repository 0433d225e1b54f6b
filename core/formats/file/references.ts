import { isInterlude } from '../../plan';
import { splitRungKey } from '../../repertoire';
import { exercisesIn, namedBy } from '../../taught';
import type { DocumentKind, DocumentOf } from './bundle';

/** A document by what it is and its id: `classes/monday-1`. */
export type DocumentKey = `${DocumentKind}/${string}`;
export const documentKey = (kind: DocumentKind, id: string): DocumentKey => `${kind}/${id}`;

/** The kind and the id of a key. Ids hold no slash, so the first one ends the kind. */
export function splitDocumentKey(key: DocumentKey): [DocumentKind, string] {
  const slash = key.indexOf('/');
  return [key.slice(0, slash) as DocumentKind, key.slice(slash + 1)];
}

const optional = (kind: DocumentKind, id: string | undefined): DocumentKey[] =>
  id === undefined ? [] : [documentKey(kind, id)];

/** What each kind of document names, and so what must be there with it. */
const NAMES: { readonly [K in DocumentKind]: (value: DocumentOf<K>) => Iterable<DocumentKey> } = {
  method: () => [],
  positions: ({ edges }) => Object.keys(edges).map((id) => documentKey('positions', id)),
  props: () => [],
  exercises: ({ position, rungs }) => [
    documentKey('positions', position),
    ...rungs.flatMap(({ position: own, props = [], requires = [] }) => [
      ...optional('positions', own),
      ...props.map((id) => documentKey('props', id)),
      ...requires.map(({ exercise }) => documentKey('exercises', exercise)),
    ]),
  ],
  audiences: ({ equipment = [], props = {}, knows = [] }) => [
    ...[...equipment, ...Object.keys(props)].map((id) => documentKey('props', id)),
    ...knows.map((key) => documentKey('exercises', key.includes('/') ? splitRungKey(key).exercise : key)),
  ],
  teachers: ({ cleared }) => (cleared?.audiences ?? []).map((id) => documentKey('audiences', id)),
  rooms: ({ props = {} }) => Object.keys(props).map((id) => documentKey('props', id)),
  classes: ({ audience, openingPosition, blocks, spare = [] }) => [
    ...spare.map(({ exercise }) => documentKey('exercises', exercise)),
    ...optional('audiences', audience),
    ...optional('positions', openingPosition),
    ...blocks.flatMap((block) =>
      isInterlude(block)
        ? [
            ...optional('positions', block.position),
            ...(block.props ?? []).map((id) => documentKey('props', id)),
            ...optional('exercises', block.rung === undefined ? undefined : splitRungKey(block.rung).exercise),
          ]
        : [documentKey('exercises', block.exercise)],
    ),
  ],
  series: ({ episodes, follows, audience, goals = [], schedule }) => [
    ...optional('series', follows),
    ...optional('audiences', audience),
    ...optional('rooms', schedule?.room),
    ...optional('teachers', schedule?.teacher),
    ...goals.map(({ exercise }) => documentKey('exercises', exercise)),
    ...episodes.flatMap(({ class: id, teacher }) => [documentKey('classes', id), ...optional('teachers', teacher)]),
  ],
  logs: (log) => {
    const { classes, teachers, audiences, rooms, ...named } = namedBy(log);
    return [
      ...optional('classes', classes),
      ...optional('teachers', teachers),
      ...optional('audiences', audiences),
      ...optional('rooms', rooms),
      ...exercisesIn(named).map((id) => documentKey('exercises', id)),
    ];
  },
  questions: () => [],
};

const remembered = new WeakMap<object, ReadonlySet<DocumentKey>>();

/**
 * The keys of all documents that a document names. Base positions are among them, though no document holds them.
 * Remembered by the document itself, which is never changed in place.
 */
export function referencesOf<K extends DocumentKind>(kind: K, value: DocumentOf<K>): ReadonlySet<DocumentKey> {
  const known = remembered.get(value);
  if (known) return known;
  const found = new Set((NAMES[kind] as (value: DocumentOf<K>) => Iterable<DocumentKey>)(value));
  remembered.set(value, found);
  return found;
}
