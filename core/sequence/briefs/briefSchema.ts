import { z } from 'zod';
import { orderSchema } from '../../method/methodSchema';
import { rungBlockSchema } from '../../plan/classSchema';
import { PURPOSES } from '../../plan/kinds';
import { conditionSchema, directionSchema, idSchema } from '../../vocabulary/schemas';

const wish = z
  .strictObject({
    exercise: idSchema.describe('The id of the exercise'),
    rung: idSchema.optional().describe('The id of one of its rungs; any of them when unsaid'),
  })
  .meta({ id: 'Wish', description: 'An exercise, or one of its rungs' });

/** How much is tried: a count of evaluations, never of seconds. */
export const EFFORTS = ['quick', 'thorough'] as const;
export type Effort = (typeof EFFORTS)[number];

/** What a class is wanted to be. */
export const briefSchema = z
  .strictObject({
    minutes: z.number().min(1).max(240).describe('How long the class should last'),
    audience: idSchema.optional().describe('The id of its audience'),
    cautions: z.array(conditionSchema).max(30).optional().describe('Conditions in the room beside the audience’s own'),
    delivery: z.enum(['group', 'on-demand']).optional().describe('Taught in a room, or watched; a group when unsaid'),
    purpose: z.enum(PURPOSES).optional().describe('What it is for; a class when unsaid'),
    order: orderSchema.optional().describe('How it is put in order; the house’s order when unsaid'),
    focus: directionSchema.optional().describe('What it is about'),
    begin: idSchema.optional().describe('The position people begin in; the house’s when unsaid'),
    mustHave: z.array(wish).max(60).optional().describe('What has to be in it'),
    mustNot: z.array(wish).max(400).optional().describe('What must not be in it'),
    locked: z
      .array(
        z.strictObject({
          at: z.int().min(0).max(399).describe('Its place in the class, counted from 0'),
          block: rungBlockSchema.partial({ id: true }).describe('The block as it has to stand there'),
        }),
      )
      .max(60)
      .optional()
      .describe('Blocks that have to stand as they are'),
    props: z.array(idSchema).max(60).optional().describe('Ids of the props at hand; the audience’s when unsaid'),
    series: idSchema.optional().describe('The id of the series it is for'),
    episode: z
      .int()
      .min(1)
      .max(200)
      .optional()
      .describe('Its place in the series, counted from 1; the episodes before it are its past'),
    thread: idSchema
      .optional()
      .describe('The id of the exercise that is to grow through it; one is chosen when unsaid'),
    lateChance: z
      .number()
      .min(0.01)
      .max(0.5)
      .optional()
      .describe('How often it may run late, what may go left out; the house’s when unsaid'),
    levels: z.boolean().optional().describe('Whether lower and upper rungs are offered in it'),
    proposals: z.int().min(1).max(8).optional().describe('How many different classes are wanted; 3 when unsaid'),
    seed: z.int().min(0).max(2_147_483_647).optional().describe('The same seed gives the same answer; 1 when unsaid'),
    effort: z.enum(EFFORTS).optional().describe('How much is tried; quick when unsaid'),
  })
  .meta({ id: 'Brief', description: 'What a class is wanted to be' });
export type Brief = z.infer<typeof briefSchema>;
