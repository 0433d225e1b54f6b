import { z } from 'zod';
import { DOCUMENT_KINDS, type DocumentKind } from '../formats';
import type { Kept, RefusalBody } from './answers';

/** Most changes sent together: more than a studio holds. */
const MOST_CHANGES = 70_000;

/**
 * Changes sent together, since they may need one another. Each value is read by the schema of its kind only when it is
 * its turn, so that one that is wrong has its own answer and holds up no other.
 */
export const changesSchema = z.strictObject({
  changes: z
    .array(
      z.strictObject({
        kind: z.enum(DOCUMENT_KINDS as [DocumentKind, ...DocumentKind[]]),
        id: z.string().max(64),
        /** The version the change was made from; 0 for a new document. */
        version: z.int().min(0),
        /** The document as it is to be; `null` to remove it. */
        value: z.unknown(),
      }),
    )
    .max(MOST_CHANGES),
});
export type SentChange = z.infer<typeof changesSchema>['changes'][number];

/** What became of one change. */
export type ChangeAnswer =
  | { readonly outcome: 'kept'; readonly version: number }
  | { readonly outcome: 'stale'; readonly current: Kept | null }
  | { readonly outcome: 'refused'; readonly refusal: RefusalBody };

/** One answer for each change, in their order. */
export interface ChangesAnswer {
  readonly answers: readonly ChangeAnswer[];
}
