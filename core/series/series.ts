import { z } from 'zod';
import { idSchema, nameSchema, noteSchema } from '../method/text';

export const seriesSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Who this is for. */
  forWhom: noteSchema.optional(),
  /** Who should see a doctor, a midwife or a physiotherapist before beginning. */
  seeFirst: noteSchema.optional(),
  episodes: z
    .array(z.strictObject({ class: idSchema, title: nameSchema.optional() }))
    .max(200)
    .describe('In the order the audience meets them'),
});
export type Series = z.infer<typeof seriesSchema>;
