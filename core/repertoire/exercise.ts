import { z } from 'zod';
import { poseSchema } from '../body/pose';
import { directionSchema } from '../method/direction';
import { idSchema, nameSchema, noteSchema, sentenceSchema } from '../method/text';
import { PREPARATION_IDS } from './preparations';

/** Something fetched for a rung. A large one takes longer to fetch; an unstable one makes the support smaller. */
export const propSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  large: z.boolean().optional(),
  unstable: z.boolean().optional(),
  /** How high it carries what rests on it, in metres; unsaid, a large one carries at any height. */
  heightM: z.number().min(0).max(3).optional(),
});
export type Prop = z.infer<typeof propSchema>;

/** How a phase breathes. */
export const BREATHS = ['in', 'out', 'hold', 'free'] as const;

export const phaseSchema = z.strictObject({
  breath: z.enum(BREATHS),
  counts: z.number().positive().max(60),
  /** The pose this phase arrives at. */
  pose: idSchema,
  /** The working phase: the one the effort is in. */
  effort: z.boolean().optional(),
  /** Something is pressed or squeezed throughout. */
  squeeze: z.boolean().optional(),
});
export type Phase = z.infer<typeof phaseSchema>;

const setsSchema = z.int().min(1).max(20);
const repsSchema = z.int().min(1).max(200);
/** Tempo: how long one count of this rung takes, in place of the method's. */
const tempoSchema = z.number().min(0.25).max(6);

export const doseSchema = z.strictObject({
  sets: setsSchema,
  reps: repsSchema.describe('Repetitions of each set; for each side where there are sides'),
  secondsPerCount: tempoSchema.optional(),
});
export type Dose = z.infer<typeof doseSchema>;
/** What one block changes of its rung's dose, key by key. */
export const doseChangeSchema = doseSchema.partial();
export type DoseChange = z.infer<typeof doseChangeSchema>;

/** The kinds of cue in the order they are usually spoken. */
export const CUE_KINDS = [
  'setup',
  'action',
  'alignment',
  'image',
  'fault',
  'option',
  'safety',
  'count',
  'transition',
] as const;
export type CueKind = (typeof CUE_KINDS)[number];

export const cueSchema = z.strictObject({
  kind: z.enum(CUE_KINDS),
  text: sentenceSchema,
  /** For an action: which phase it is spoken on, counted from 0. */
  phase: z.int().min(0).max(23).optional(),
  /** For a fault: what is seen; `text` is the fix said aloud. */
  sign: sentenceSchema.optional(),
});
export type Cue = z.infer<typeof cueSchema>;

export const rungRefSchema = z.strictObject({ exercise: idSchema, rung: idSchema });
export type RungRef = z.infer<typeof rungRefSchema>;

export const gateSchema = z.strictObject({
  ready: z.array(sentenceSchema).max(12).optional(),
  stay: z.array(sentenceSchema).max(12).optional(),
});

export const rungSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  props: z.array(idSchema).max(8).optional(),
  /** Something beside the body shows every sway: a wall, the edge of the mat. */
  guided: z.boolean().optional(),
  setupSeconds: z.number().min(0).max(600),
  dose: doseSchema,
  poses: z.record(idSchema, poseSchema),
  start: idSchema,
  phases: z.array(phaseSchema).min(1).max(24),
  requires: z.array(rungRefSchema).max(12).optional(),
  /** What should have happened earlier in the same class. */
  preparation: z.array(z.enum(PREPARATION_IDS)).max(6).optional(),
  gate: gateSchema.optional(),
  cues: z.array(cueSchema).max(60).optional(),
  /** The director's own heat in place of the computed one, with the reason shown beside it. */
  heatOverride: z.strictObject({ heat: z.number().min(0).max(100), reason: sentenceSchema }).optional(),
});
export type Rung = z.infer<typeof rungSchema>;

export const exerciseSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  position: idSchema,
  directions: z.array(directionSchema).min(1).max(6),
  sides: z.enum(['both', 'each', 'alternate']),
  notes: noteSchema.optional(),
  rungs: z.array(rungSchema).min(1).max(24),
});
export type Exercise = z.infer<typeof exerciseSchema>;

/** How a rung is named across the product: `exercise/rung`. */
export const rungKey = ({ exercise, rung }: RungRef): string => `${exercise}/${rung}`;
