import { z } from 'zod';
import { poseSchema, supportSchema } from '../body/poses/poseSchema';
import { choicesSchema } from '../method/methodSchema';
import { PREPARATION_IDS } from '../vocabulary/bodies/preparations';
import { SIDEDNESS } from '../vocabulary/bodies/side';
import { FELT_AT, GOOD_FOR, SPARED_PARTS } from '../vocabulary/bodies/uses';
import {
  directionSchema,
  idSchema,
  nameSchema,
  noteSchema,
  plainText,
  sentenceSchema,
  sideSchema,
} from '../vocabulary/schemas';
import { BREATHS, CUE_KINDS, REP_PLACES } from '../vocabulary/words/cue';
import { MOST_RUNGS } from './bounds';

/** Something fetched for a rung. A large one takes longer to fetch; an unstable one makes the support smaller. */
export const propSchema = z
  .strictObject({
    id: idSchema.describe('The id of the prop'),
    name: nameSchema.describe('What it is called'),
    large: z.boolean().optional().describe('Takes longer to fetch: a roller, a box, a wall'),
    unstable: z.boolean().optional().describe('Makes the support smaller: a ball, a roller'),
    heightM: z
      .number()
      .min(0)
      .max(3)
      .optional()
      .describe('How high it carries what rests on it, in metres; unsaid, a large one carries at any height'),
    standIn: sentenceSchema.optional().describe('What can stand in for it at home'),
  })
  .meta({ id: 'Prop', description: 'Something fetched for a rung' });
export type Prop = z.infer<typeof propSchema>;

const phaseSchema = z
  .strictObject({
    id: idSchema.describe('The id of the phase, unique in its rung among entry, phases and exit'),
    breath: z.enum(BREATHS).describe('How it breathes'),
    counts: z.number().positive().max(60).describe('How many counts it takes'),
    countsTo: z.number().positive().max(120).optional().describe('The upper end of a range: a hold of 10 to 15 counts'),
    pose: idSchema.describe('The pose it arrives at'),
    effort: z.boolean().optional().describe('The working phase: the one the effort is in'),
    squeeze: z.boolean().optional().describe('Something is pressed or squeezed throughout'),
    onPurpose: z.boolean().optional().describe('The effort on the in-breath is meant'),
  })
  .meta({ id: 'Phase', description: 'One part of a repetition, of the way into the shape, or of the way out of it' });
export type Phase = z.infer<typeof phaseSchema>;

const setsSchema = z.int().min(1).max(20);
const repsSchema = z.int().min(1).max(200);
/** Tempo: how long one count of this rung takes, in place of the method's. */
const tempoSchema = z.number().min(0.25).max(6);

const stageSchema = z
  .strictObject({
    reps: repsSchema.describe('How many repetitions it lasts'),
    text: sentenceSchema.describe('What is said of them'),
  })
  .meta({
    id: 'Stage',
    description: 'A part of a set that is done in its own way: the first four level, then farther',
  });
const daysSchema = z.int().min(1).max(7);

const doseShape = {
  sets: setsSchema.describe('How often the repetitions are done'),
  reps: repsSchema.describe('Repetitions of each set; for each side where there are sides'),
  repsTo: repsSchema.optional().describe('The upper end of a range of repetitions; the middle of it counts'),
  until: z.literal('tired').optional().describe('Done until tired; the repetitions are the estimate'),
  secondsPerCount: tempoSchema.optional().describe('Seconds of a count of this rung, in place of the method’s'),
  stages: z.array(stageSchema).min(2).max(8).optional().describe('Parts of a set; their repetitions add up to its own'),
  days: daysSchema.optional().describe('Prescribed for later: days a week'),
  daysTo: daysSchema.optional().describe('The upper end of a range of days a week'),
};
export const doseSchema = z.strictObject(doseShape).meta({ id: 'Dose', description: 'How much of a rung is done' });
export type Dose = z.infer<typeof doseSchema>;
/** What one block changes of its rung's dose, key by key. */
export const doseChangeSchema = z
  .strictObject(doseShape)
  .partial()
  .meta({ id: 'DoseChange', description: 'What is changed of a rung’s dose, key by key' });
export type DoseChange = z.infer<typeof doseChangeSchema>;

/** A part of the body as poses name it. */
const touchSchema = plainText(1, 40);

/** What words of a rung and of a class have alike. */
export const wordsShape = {
  at: z
    .enum(REP_PLACES)
    .optional()
    .describe('Said on this repetition of a set: the first, one in the middle, the last'),
  pose: idSchema
    .optional()
    .describe('For a fault: the pose of the rung that shows the wrong form; no phase arrives at it'),
};

const cueSchema = z
  .strictObject({
    id: idSchema.describe('The id of the cue, unique in its rung'),
    kind: z.enum(CUE_KINDS).describe('What the cue is for'),
    text: sentenceSchema.describe('The words said aloud'),
    phase: idSchema.optional().describe('For an action: the id of the phase it is spoken on'),
    sign: sentenceSchema.optional().describe('For a fault: what is seen; the text is the fix said aloud'),
    alternatives: z.array(sentenceSchema).max(12).optional().describe('Other words for the same'),
    touches: z
      .array(touchSchema)
      .max(8)
      .optional()
      .describe('The parts the words bring to touch, as poses name them: hand.left, feet'),
    ...wordsShape,
  })
  .meta({ id: 'Cue', description: 'Words a teacher says' });
export type Cue = z.infer<typeof cueSchema>;

export const rungRefSchema = z
  .strictObject({
    exercise: idSchema.describe('The id of the exercise'),
    rung: idSchema.describe('The id of its rung'),
  })
  .meta({ id: 'RungRef', description: 'A rung by its exercise and its own id' });
export type RungRef = z.infer<typeof rungRefSchema>;

const signs = (words: string) => z.array(sentenceSchema).max(12).optional().describe(words);
const gateSchema = z
  .strictObject({
    ready: signs('What must be true before climbing on'),
    stay: signs('What tells a person to stay here or go down'),
    stop: signs('What means stop altogether, beside the house’s own stop signs; never answered by an easier rung'),
  })
  .meta({ id: 'Gate', description: 'When to move on, when to stay, when to stop' });

const springSchema = z
  .strictObject({
    newtons: z.number().min(0).max(2000).describe('Its pull in newtons'),
    at: plainText(1, 40).describe('Where it pulls: feet, hands, a strap'),
    does: z.enum(['resist', 'carry']).describe('resist: harder with more; carry: it holds the body, harder with less'),
  })
  .meta({ id: 'Spring', description: 'A spring of an apparatus' });

const settingSchema = z
  .strictObject({
    name: nameSchema.describe('What is set: the foot bar, the height of the carriage'),
    value: nameSchema.describe('What it is set to'),
  })
  .meta({ id: 'ApparatusSetting', description: 'How an apparatus is set for a rung' });

const sidesSchema = z.enum(SIDEDNESS);

/** What an exercise and each of its rungs say of what they are used for. */
const usesShape = {
  feltAt: z.array(z.enum(FELT_AT)).max(8).optional().describe('Where the work or the stretch is felt'),
  goodFor: z.array(z.enum(GOOD_FOR)).max(8).optional().describe('What it is good for'),
};

const phases = (least: number) => z.array(phaseSchema).min(least).max(24);

const rungSchema = z
  .strictObject({
    id: idSchema.describe('The id of the rung, unique in its exercise'),
    name: nameSchema.describe('What it is called'),
    branchOf: idSchema.optional().describe('The rung of this ladder it stands beside, no higher and no lower'),
    sides: sidesSchema.optional().describe('Its own sides, over those of its exercise'),
    position: idSchema
      .optional()
      .describe('Its own position, over that of its exercise: a plank at the wall is standing'),
    spares: z
      .array(z.enum(SPARED_PARTS))
      .max(4)
      .optional()
      .describe('For a branch: the parts it spares, and may be easier for'),
    ...usesShape,
    choices: choicesSchema.optional().describe('How this rung is drawn and worded, whatever the house has chosen'),
    props: z.array(idSchema).max(8).optional().describe('Ids of the props it needs'),
    on: z.partialRecord(supportSchema, idSchema).optional().describe('Which support rests on which prop'),
    guided: z.boolean().optional().describe('Something beside the body shows every sway: a wall, the edge of the mat'),
    drawn: sideSchema.optional().describe('The side its poses are drawn for; read from the poses when unsaid'),
    spring: springSchema.optional(),
    settings: z.array(settingSchema).max(12).optional().describe('How the apparatus is set'),
    setupSeconds: z.number().min(0).max(600).describe('Seconds to explain and take up the shape'),
    dose: doseSchema,
    repsRange: z
      .tuple([repsSchema, repsSchema])
      .refine(([least, most]) => least <= most, { message: 'expected the least first, then the most' })
      .optional()
      .describe('The sensible range of repetitions, least and most'),
    poses: z.record(idSchema, poseSchema).describe('The poses by id'),
    start: idSchema.describe('The pose repetitions begin in'),
    entry: phases(1).optional().describe('The way into the shape, once per set and side'),
    phases: phases(1).describe('One repetition'),
    exit: phases(1).optional().describe('The way out of the shape, once per set and side'),
    requires: z.array(rungRefSchema).max(12).optional().describe('Rungs that must be learnt before'),
    preparation: z
      .array(z.enum(PREPARATION_IDS))
      .max(6)
      .optional()
      .describe('What should have happened earlier in the same class'),
    gate: gateSchema.optional(),
    cues: z.array(cueSchema).max(60).optional().describe('What is said, in the order it is usually spoken'),
    heatOverride: z
      .strictObject({
        heat: z.number().min(0).max(100).describe('Heat, 0 to 100'),
        reason: sentenceSchema.describe('Why'),
      })
      .meta({ id: 'HeatOverride', description: 'A heat set by hand' })
      .optional()
      .describe('The director’s own heat in place of the computed one, with the reason shown beside it'),
  })
  .meta({ id: 'Rung', description: 'One step of a ladder: what is taught' });
export type Rung = z.infer<typeof rungSchema>;

export const exerciseSchema = z
  .strictObject({
    id: idSchema.describe('The id of the exercise'),
    name: nameSchema.describe('What it is called'),
    position: idSchema.describe('One of the eight positions, or one of the studio’s own'),
    directions: z.array(directionSchema).min(1).max(6).describe('What the spine does'),
    sides: sidesSchema.describe(
      'both: symmetrical; each: one side, then the other; alternate: side by side, a repetition moves one',
    ),
    ...usesShape,
    tags: z.array(nameSchema).max(20).optional().describe('Words to find it by'),
    notes: noteSchema.optional().describe('Notes for the staff'),
    rungs: z.array(rungSchema).min(1).max(MOST_RUNGS).describe('Its ladder, easiest first'),
  })
  .meta({ id: 'Exercise', description: 'One movement idea, with its ladder' });
export type Exercise = z.infer<typeof exerciseSchema>;
