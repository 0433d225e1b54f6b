import { z } from 'zod';
import { idSchema, rungKeySchema, sentenceSchema } from '../vocabulary/schemas';
import { QUESTION_STATES } from './kinds';

/** A learner's question, kept beside what raised it. What it names may be gone by now: the question stays. */
export const questionSchema = z
  .strictObject({
    id: idSchema.describe('The id of the question'),
    text: sentenceSchema.describe('What a learner asked'),
    rung: rungKeySchema.optional().describe('The rung that raised it: exercise/rung'),
    cue: idSchema.optional().describe('The id of the cue that raised it, in that rung'),
    class: idSchema.optional().describe('The id of the class it was asked in'),
    log: idSchema.optional().describe('The id of the log of that day'),
    date: z.iso.date().optional().describe('The day it was asked, YYYY-MM-DD'),
    state: z.enum(QUESTION_STATES).describe('open; answered; changed: words were changed for it'),
    answer: sentenceSchema.optional().describe('The answer, or what was changed'),
  })
  .meta({ id: 'Question', description: 'What a learner asked' });
export type Question = z.infer<typeof questionSchema>;
