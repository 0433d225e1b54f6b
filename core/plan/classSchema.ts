import { z } from 'zod';
import { choicesSchema, limitsSchema, orderSchema } from '../method/methodSchema';
import { doseChangeSchema, doseSchema, wordsShape } from '../repertoire/exerciseSchema';
import {
  abdominalCheckSchema,
  conditionSchema,
  directionSchema,
  idSchema,
  nameSchema,
  noteSchema,
  plainText,
  rungKeySchema,
  sentenceSchema,
  sideSchema,
} from '../vocabulary/schemas';
import { CUE_KINDS } from '../vocabulary/words/cue';
import { nameFault } from '../vocabulary/words/text';
import { INTERLUDES, LEVELS, MODES, PURPOSES } from './kinds';

/** Who a class is for: how they move between positions, how long a count takes them, what they bring. */
export const audienceSchema = z
  .strictObject({
    id: idSchema.describe('The id of the audience'),
    name: nameSchema.describe('What it is called'),
    level: z.enum(LEVELS).optional().describe('How far on they are'),
    pace: z
      .number()
      .min(0.5)
      .max(4)
      .optional()
      .describe('Multiplies the seconds of changing position: 1 is brisk, 1.5 unhurried'),
    tempo: z.number().min(0.5).max(4).optional().describe('Multiplies every count: 1 is usual, 1.5 for first-timers'),
    homeHeat: z
      .number()
      .min(0)
      .max(100)
      .optional()
      .describe('The heat of a main version that everyone here can take; a hotter one needs a lower option'),
    floorTrips: z
      .int()
      .min(0)
      .max(50)
      .optional()
      .describe('How often they may be sent up from the floor to standing in one class'),
    cautions: z
      .array(conditionSchema)
      .max(30)
      .optional()
      .describe('Conditions present; every rung is held against them'),
    abdominalChecks: z
      .array(abdominalCheckSchema)
      .max(200)
      .optional()
      .describe('The dated record of finger-width checks: each person’s latest counts, and the worst of them decides'),
    equipment: z.array(idSchema).max(60).optional().describe('Ids of the props at hand; none named means all'),
    knows: z
      .array(z.union([idSchema, rungKeySchema], { error: 'expected exercise/rung, or an exercise' }))
      .max(400)
      .optional()
      .describe('What people here have learnt outside these classes: exercise/rung, or a whole exercise'),
    size: z.int().min(1).max(1000).optional().describe('How many people there are'),
    props: z
      .record(idSchema, z.int().min(0).max(1000))
      .optional()
      .describe('How many of each prop they have at hand, by the id of the prop'),
    limits: limitsSchema.optional().describe('Limits of the review for this audience, in place of the method’s'),
    notes: noteSchema.optional().describe('Notes for the staff'),
  })
  .meta({ id: 'Audience', description: 'Who a class is for' });
export type Audience = z.infer<typeof audienceSchema>;

const lineSchema = z
  .strictObject({
    id: idSchema.describe('The id of the line, unique in its class'),
    kind: z.enum(CUE_KINDS).describe('What the words are for'),
    text: plainText(0, 600).describe('The words; none silence every line of that kind'),
    phase: idSchema.optional().describe('The id of the phase it is spoken on'),
    pass: z.int().min(1).max(2).optional().describe('1: on the first side only; 2: on the second only'),
    ...wordsShape,
  })
  .meta({ id: 'Line', description: 'Words of this class, in place of the rung’s lines of that kind' });
export type Line = z.infer<typeof lineSchema>;

const optionSchema = z
  .strictObject({
    rung: idSchema.describe('A rung of the same exercise'),
    dose: doseChangeSchema.optional(),
    holdSeconds: z.number().min(0).max(600).optional().describe('Held this long on each side, besides its repetitions'),
    pauseSeconds: z.number().min(0).max(600).optional().describe('Paused this long on each side'),
    sign: sentenceSchema.optional().describe('The sign that tells who should take it'),
  })
  .meta({ id: 'Option', description: 'A rung offered aloud beside the main version' });
export type Option = z.infer<typeof optionSchema>;

const noteOf = noteSchema.optional().describe('Notes for the teacher');
const linesOf = z.array(lineSchema).max(120).optional().describe('Words of this class');
const giveOf = z
  .int()
  .min(1)
  .max(99)
  .optional()
  .describe('Left out first when the class runs late: 1 before 2; of equal numbers the later block first');
const lockedOf = z.boolean().optional().describe('No fix and no proposal may change it');

export const rungBlockSchema = z
  .strictObject({
    id: idSchema.describe('The id of the block, unique in its class'),
    exercise: idSchema.describe('The id of the exercise'),
    rung: idSchema.describe('The id of its rung: the main version'),
    mode: z
      .enum(MODES)
      .describe('teach: explained and done; flow: already known; show: explained, a few repetitions, done at home'),
    dose: doseChangeSchema.optional(),
    secondDose: doseSchema
      .pick({ reps: true })
      .partial()
      .meta({ id: 'SecondDose', description: 'What the second side does otherwise' })
      .optional(),
    options: z
      .array(z.union([idSchema, optionSchema]))
      .max(6)
      .optional()
      .describe('Rungs of the same exercise offered aloud: an id alone has the rung’s own dose'),
    range: z
      .number()
      .min(0.25)
      .max(1)
      .optional()
      .describe('How far it goes, as a share of its range as drawn; all of it when unsaid'),
    side: sideSchema.optional().describe('This side only'),
    firstSide: sideSchema.optional().describe('Which side begins'),
    carry: z.boolean().optional().describe('Whether it goes on in the shape the last block ended in; seen when unsaid'),
    setupSeconds: z.number().min(0).max(600).optional().describe('Seconds of set-up, in place of the computed ones'),
    shown: z.int().min(1).max(20).optional().describe('Mode show: how many repetitions are shown; 2 when unsaid'),
    run: plainText(1, 24, nameFault)
      .optional()
      .describe('Neighbours with the same run are done on the first side together, then on the second'),
    restAfterSeconds: z.number().min(0).max(600).optional().describe('Rest after the block, seconds'),
    give: giveOf,
    locked: lockedOf,
    notes: noteOf,
    lines: linesOf,
  })
  .meta({ id: 'RungBlock', description: 'A rung placed in a class' });
export type RungBlock = z.infer<typeof rungBlockSchema>;
/** What can be said of a block: where each is worked at, and where papers tell it, does not compile without all of them. */
export type BlockField = Exclude<keyof RungBlock, 'id'>;

const interludeSchema = z
  .strictObject({
    id: idSchema.describe('The id of the block, unique in its class'),
    interlude: z
      .enum(INTERLUDES)
      .describe('talk: something is said; check: people check themselves; recover: a small named rest'),
    name: nameSchema.describe('What it is called'),
    seconds: z.number().min(0).max(3600).describe('How long it lasts; a talk lasts at least its words'),
    position: idSchema.optional().describe('Where people go for it; they stay where they are when unsaid'),
    rung: rungKeySchema.optional().describe('What is done in it: exercise/rung'),
    props: z.array(idSchema).max(8).optional().describe('Ids of the props it needs'),
    words: z.array(sentenceSchema).max(40).optional().describe('What is said'),
    finds: sentenceSchema.optional().describe('A check: what it should find'),
    otherwise: sentenceSchema.optional().describe('A check: what to do if it does not'),
    give: giveOf,
    locked: lockedOf,
    notes: noteOf,
    lines: linesOf,
  })
  .meta({ id: 'Interlude', description: 'A block without an exercise: a talk, a self-check, a small rest' });
export type Interlude = z.infer<typeof interludeSchema>;

const blockSchema = z.union([rungBlockSchema, interludeSchema]);
export type Block = z.infer<typeof blockSchema>;

const words = (what: string) => z.array(sentenceSchema).max(60).optional().describe(what);

const spareSchema = rungBlockSchema
  .omit({ run: true, give: true, locked: true })
  .extend({ after: idSchema.describe('The id of the block it would follow') })
  .meta({ id: 'SpareBlock', description: 'A block for when there is time; not in the class’s length' });
export type SpareBlock = z.infer<typeof spareSchema>;

const shortFormSchema = z
  .strictObject({ leaveOut: z.array(idSchema).max(400).describe('Ids of the blocks that are left out') })
  .meta({ id: 'ShortForm', description: 'The same class, shorter' });

export const classSchema = z
  .strictObject({
    id: idSchema.describe('The id of the class'),
    name: nameSchema.describe('What it is called'),
    theme: nameSchema.optional().describe('Its one idea'),
    description: noteSchema.optional().describe('What it is, for those who choose it'),
    delivery: z.enum(['group', 'on-demand']).describe('Taught in a room, or watched'),
    purpose: z.enum(PURPOSES).optional().describe('What it is for; a class when unsaid'),
    order: orderSchema.optional(),
    targetMinutes: z.number().min(1).max(240).describe('How long it should last'),
    openingSeconds: z.number().min(0).max(3600).describe('Seconds of the opening'),
    closingSeconds: z.number().min(0).max(3600).describe('Seconds of the closing'),
    openingPosition: idSchema.optional().describe('Where people begin; the first block’s position when unsaid'),
    openingWords: words('What is said in the opening'),
    closingWords: words('What is said in the closing'),
    firstSide: sideSchema.optional().describe('The side that begins; the method’s when unsaid'),
    audience: idSchema.optional().describe('The id of its audience'),
    cautions: z
      .array(conditionSchema)
      .max(30)
      .optional()
      .describe('Conditions in this class beside its audience’s own'),
    focus: directionSchema.optional(),
    effort: z.literal('gentle').optional().describe('gentle: it is meant to stay easy, and has no peak'),
    choices: choicesSchema.optional().describe('What is chosen otherwise in this class'),
    notes: noteSchema.optional().describe('Notes for the staff'),
    blocks: z.array(blockSchema).max(400).describe('Its blocks in order'),
    spare: z.array(spareSchema).max(40).optional().describe('Blocks for when there is time'),
    short: shortFormSchema.optional(),
  })
  .meta({ id: 'Class', description: 'One class, planned' });
export type ClassPlan = z.infer<typeof classSchema>;
