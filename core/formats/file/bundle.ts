import type { z } from 'zod';
import type { Bundle, documentSchemas } from './bundleSchema';
import { BUNDLE_FORMAT, BUNDLE_VERSION, type CollectionName, type DocumentKind } from './kinds';

export type { Bundle } from './bundleSchema';
export {
  BUNDLE_FORMAT,
  BUNDLE_VERSION,
  COLLECTIONS,
  type CollectionName,
  DOCUMENT_KINDS,
  type DocumentKind,
  MANY,
  METHOD_ID,
} from './kinds';

export type DocumentOf<K extends DocumentKind> = z.infer<(typeof documentSchemas)[K]>;
export type CollectionItem<C extends CollectionName> = DocumentOf<C>;

/** A bundle with nothing in it. */
export const emptyBundle = (): Bundle => ({ format: BUNDLE_FORMAT, version: BUNDLE_VERSION });
