import { z } from 'zod';
import { idSchema, rungKeySchema } from '../../vocabulary/schemas';
import { CUE_KINDS } from '../../vocabulary/words/cue';

const times = (what: string) =>
  z.number().min(0.25).max(4).default(1).describe(`${what}: so many times as long as planned`);
const share = (what: string) => z.number().min(0).max(1).default(0).describe(what);

/** How a stand-in teacher teaches: what it takes longer over, leaves out, adds, miscounts and mumbles. */
export const habitsSchema = z
  .strictObject({
    tempo: times('Work'),
    setup: times('Set-ups of new shapes, with options'),
    carry: times('Set-ups of blocks that carry on'),
    change: times('Changes of position, props and side'),
    wordsPerMinute: z
      .number()
      .min(60)
      .max(260)
      .optional()
      .describe('Words it says in a minute; the method’s when unsaid'),
    skips: z.array(idSchema).max(400).default([]).describe('Ids of blocks it leaves out'),
    moves: z
      .array(z.tuple([idSchema, z.int().min(0).max(400)]))
      .max(100)
      .default([])
      .describe('A block, and the place it is taught at, from 0'),
    adds: z
      .array(z.strictObject({ after: idSchema, rung: rungKeySchema }))
      .max(100)
      .default([])
      .describe('Rungs it adds, each after a block'),
    reps: z
      .record(
        idSchema,
        z.strictObject({ left: z.int().optional(), right: z.int().optional(), both: z.int().optional() }),
      )
      .default({})
      .describe('Repetitions more or fewer than planned, by block and side'),
    unsaid: z.array(z.enum(CUE_KINDS)).max(30).default([]).describe('Kinds of cues it never says'),
    misheard: share('Words that are heard as others'),
    fillers: share('Words besides, as a share of all'),
    paraphrase: share('Sentences said in other words'),
    scatter: z
      .number()
      .min(0)
      .max(1)
      .default(0)
      .describe('How far each pass goes its own way, as a spread of logarithms'),
  })
  .meta({ id: 'Habits', description: 'How a stand-in teacher teaches' });
export type Habits = z.infer<typeof habitsSchema>;
