import { z } from 'zod';
import { documentSchema, idSchema, kindSchema, refusalSchema, standsSchema } from './answers';

/** Most changes sent together: more than a browser ever keeps unsent, and few enough to hold nobody up. */
const MOST_CHANGES = 30_000;

/**
 * Changes sent together, since they may need one another. Each value is read by the schema of its kind only when it is
 * its turn, so that one that is wrong has its own answer and holds up no other.
 */
export const changesSchema = z.strictObject({
  changes: z
    .array(
      z.strictObject({
        kind: kindSchema,
        id: idSchema,
        version: z.int().min(0).describe('The version the change was made from; 0 for a new document'),
        value: z.unknown().describe('The document as it is to be; null to remove it'),
      }),
    )
    .max(MOST_CHANGES),
});
export type SentChange = z.infer<typeof changesSchema>['changes'][number];

/** What became of one change. */
const changeAnswerSchema = z.discriminatedUnion('outcome', [
  z.strictObject({ outcome: z.literal('kept'), version: z.int(), value: standsSchema }),
  z.strictObject({
    outcome: z.literal('stale'),
    current: refusalSchema.shape.current.unwrap(),
    was: documentSchema.optional().describe('What the change was made from, where that is still known'),
  }),
  z.strictObject({ outcome: z.literal('refused'), refusal: refusalSchema }),
]);
export type ChangeAnswer = z.infer<typeof changeAnswerSchema>;

/** One answer for each change, in their order. */
export const changesAnswerSchema = z.strictObject({ answers: z.array(changeAnswerSchema).readonly() });
export type ChangesAnswer = z.infer<typeof changesAnswerSchema>;
