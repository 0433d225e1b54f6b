import { BUNDLE_VERSION, type DocumentKind } from '@warm-ladder/core/formats';
import type { Exercise } from '@warm-ladder/core/repertoire';
import { documentSchemas, migrateDocument, OLDEST_VERSION } from '@warm-ladder/core/schemas';
import { z } from 'zod';
import type { UnsentRecord } from './unsent';

const outlineSchema = z.strictObject({
  /** The version of the file its document was written as; the first one kept none. */
  format: z.int().min(OLDEST_VERSION).max(BUNDLE_VERSION).default(OLDEST_VERSION),
  base: z.int().min(0),
  value: z.unknown(),
  /** Earlier versions said none. */
  state: z.enum(['waiting', 'sent', 'refused', 'conflict']).default('waiting'),
  message: z.string().optional(),
  sent: z.unknown().optional(),
  at: z.number(),
});

/**
 * An unsent record as it was kept, brought to this version.
 * @returns null where it can't be read: an unknown kind, a newer version, damage
 */
export function readRecord(
  kind: string,
  id: string,
  text: string,
  exercises: readonly Exercise[] | undefined,
): UnsentRecord | null {
  if (!isKind(kind)) return null;
  try {
    const { format, base, value, state, message, sent, at } = outlineSchema.parse(JSON.parse(text));
    const asNow = (document: unknown) => migrateDocument(kind, document, format, { exercises }).value;
    const read = value === null ? null : documentSchemas[kind].parse(asNow(value));
    return { kind, id, base, value: read, state, message, at, ...(sent === undefined ? {} : { sent: asNow(sent) }) };
  } catch {
    return null;
  }
}

const isKind = (kind: string): kind is DocumentKind => Object.hasOwn(documentSchemas, kind);
