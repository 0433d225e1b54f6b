import { z } from 'zod';
import { orderSchema } from '../../method/methodSchema';
import { classSchema } from '../../plan/classSchema';
import { rungRefSchema } from '../../repertoire/exerciseSchema';
import { WEEKDAYS } from '../../series/weekdays';
import { idSchema } from '../../vocabulary/schemas';
import { EFFORTS } from './briefSchema';

/** What a whole series is wanted to be. */
export const seriesBriefSchema = z
  .strictObject({
    audience: idSchema.optional().describe('The id of its audience'),
    goals: z.array(rungRefSchema).min(1).max(12).describe('Rungs it leads to'),
    episodes: z.int().min(1).max(52).describe('How many classes'),
    minutes: z.number().min(10).max(240).describe('How long each class should last'),
    days: z
      .union([z.int().min(1).max(7), z.array(z.enum(WEEKDAYS)).min(1).max(7)])
      .optional()
      .describe('Days a week, or which days'),
    start: z.iso.date().optional().describe('The first day it may begin'),
    delivery: z.enum(['group', 'on-demand']).optional().describe('Taught in a room, or watched; a group when unsaid'),
    order: orderSchema.optional().describe('How its classes are put in order; the house’s when unsaid'),
    follows: idSchema.optional().describe('The id of the series it follows'),
    kept: z
      .array(
        z.strictObject({
          episode: z.int().min(1).max(52).describe('Its place in the series, counted from 1'),
          class: classSchema,
        }),
      )
      .max(52)
      .optional()
      .describe('Classes that have to stay as they are, where they are'),
    proposals: z.int().min(1).max(4).optional().describe('How many different series are wanted; 2 when unsaid'),
    seed: z.int().min(0).max(2_147_483_647).optional().describe('The same seed gives the same answer; 1 when unsaid'),
    effort: z.enum(EFFORTS).optional().describe('How much is tried; quick when unsaid'),
  })
  .meta({ id: 'SeriesBrief', description: 'What a whole series is wanted to be' });
export type SeriesBrief = z.infer<typeof seriesBriefSchema>;
