export const BUNDLE_FORMAT = 'warm-ladder/bundle';
export const BUNDLE_VERSION = 3;

/** The one method of a house has no id of its own; where every document has one, it stands under this. */
export const METHOD_ID = 'house';

/** Most of each kind that one file, and so a studio, may hold. */
export const MANY = 50_000;

/** The lists of a bundle, by key. */
export const COLLECTIONS = [
  'positions',
  'props',
  'exercises',
  'audiences',
  'teachers',
  'rooms',
  'classes',
  'series',
  'logs',
  'questions',
] as const;
export type CollectionName = (typeof COLLECTIONS)[number];

/** What can be kept and sent by itself: a member of a collection, or the one method. */
export type DocumentKind = CollectionName | 'method';
export const DOCUMENT_KINDS: readonly DocumentKind[] = [...COLLECTIONS, 'method'];
