import { z } from 'zod';
import { positionSchema } from '../body/position';
import { type MethodFile, methodSchema } from '../method/method';
import { audienceSchema, classSchema } from '../plan/class';
import { exerciseSchema, propSchema } from '../repertoire/exercise';
import { seriesSchema } from '../series';

export const BUNDLE_FORMAT = 'warm-ladder/bundle';
export const BUNDLE_VERSION = 1;

/** The one method of a house has no id of its own; where every document has one, it stands under this. */
export const METHOD_ID = 'house';

/** Most of each kind that one file may hold. */
export const MANY = 10_000;

/** The lists of a bundle, by key: each holds things with an `id`, unique within its list. */
export const collectionSchemas = {
  positions: positionSchema,
  props: propSchema,
  exercises: exerciseSchema,
  audiences: audienceSchema,
  classes: classSchema,
  series: seriesSchema,
} as const;
export type CollectionName = keyof typeof collectionSchemas;
export const COLLECTIONS = Object.keys(collectionSchemas) as CollectionName[];
export type CollectionItem<C extends CollectionName> = z.infer<(typeof collectionSchemas)[C]>;

/** What can be kept and sent by itself: a member of a collection, or the one method. */
export type DocumentKind = CollectionName | 'method';
export const DOCUMENT_KINDS: readonly DocumentKind[] = [...COLLECTIONS, 'method'];
export type DocumentOf<K extends DocumentKind> = K extends CollectionName ? CollectionItem<K> : MethodFile;

/** The schema of each kind of document. */
export const documentSchemas = { ...collectionSchemas, method: methodSchema } as const;

/** The portable file (docs/bundle.schema.json is published from this schema). */
export const bundleSchema = z.strictObject({
  format: z.literal(BUNDLE_FORMAT),
  version: z.literal(BUNDLE_VERSION),
  method: methodSchema.optional(),
  positions: z.array(positionSchema).max(MANY).optional(),
  props: z.array(propSchema).max(MANY).optional(),
  exercises: z.array(exerciseSchema).max(MANY).optional(),
  audiences: z.array(audienceSchema).max(MANY).optional(),
  classes: z.array(classSchema).max(MANY).optional(),
  series: z.array(seriesSchema).max(MANY).optional(),
});
export type Bundle = z.infer<typeof bundleSchema>;

/** A bundle with nothing in it. */
export const emptyBundle = (): Bundle => ({ format: BUNDLE_FORMAT, version: BUNDLE_VERSION });

/** The JSON Schema (draft 2020-12) of the portable file. */
export const bundleJsonSchema = () => ({
  title: 'Warm Ladder bundle',
  ...z.toJSONSchema(bundleSchema, { target: 'draft-2020-12', io: 'input' }),
});
