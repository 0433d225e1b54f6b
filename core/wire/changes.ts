import { z } from 'zod';
import type { Edit } from '../edits';
import { documentSchema, idSchema, kindSchema, refusalSchema, standsSchema } from './answers';

/** Most changes sent together: more than a browser ever keeps unsent, and few enough to hold nobody up. */
const MOST_CHANGES = 30_000;

const changedSchema = z.strictObject({
  kind: kindSchema,
  id: idSchema,
  version: z.int().min(0).describe('The version the change was made from; 0 for a new document'),
});

/**
 * Changes sent together, since they may need one another. What is in each is read only when it is its turn, so that one
 * that is wrong has its own answer and holds up no other.
 */
export const changesSchema = z.strictObject({
  changes: z
    .array(
      changedSchema.extend({
        edit: z.unknown().optional().describe('What was changed in a document that is there, as in the history'),
        value: z.unknown().optional().describe('Without an edit: the document as it is to be; null to remove it'),
      }),
    )
    .max(MOST_CHANGES),
});
/** Which document a change is of, and the version it was made from. */
export type ChangedPlace = z.infer<typeof changedSchema>;
/** A change of a document that is there, as what was changed in it. */
export type SentEdit = ChangedPlace & { readonly edit: Edit; readonly value?: undefined };
/** A document as it is to be; `null` to remove it. */
export type SentValue = ChangedPlace & { readonly edit?: undefined; readonly value: unknown };
export type SentChange = SentEdit | SentValue;

/** What became of one change. */
const changeAnswerSchema = z.discriminatedUnion('outcome', [
  z.strictObject({ outcome: z.literal('kept'), version: z.int(), value: standsSchema }),
  z.strictObject({
    outcome: z.literal('stale'),
    current: refusalSchema.shape.current.unwrap(),
    was: documentSchema.optional().describe('What the change was made from, where that is still known'),
  }),
  z.strictObject({ outcome: z.literal('refused'), refusal: refusalSchema }),
  z
    .strictObject({ outcome: z.literal('whole') })
    .describe('An edit of a version that is not known here, or that does not fit it: the whole document is asked for'),
]);
export type ChangeAnswer = z.infer<typeof changeAnswerSchema>;

/** One answer for each change, in their order. */
export const changesAnswerSchema = z.strictObject({ answers: z.array(changeAnswerSchema).readonly() });
export type ChangesAnswer = z.infer<typeof changesAnswerSchema>;
