import { z } from 'zod';
import { cautionChangeSchema } from '../caution/changeSchema';
import { directionSchema, nameSchema, sentenceSchema, sideSchema } from '../vocabulary/schemas';
import { answersOf, ORDERS, SCHOOLS, type SchoolId } from './choices';
import {
  CRAFT_SETTINGS,
  LIMIT_SETTINGS,
  SCORE_SETTINGS,
  type Setting,
  TIMING_SETTINGS,
  UNCERTAINTY_SETTINGS,
} from './settings';

export const orderSchema = z
  .enum(ORDERS)
  .describe(
    'How the class is put in order: position after position, a customary order, one pattern that grows layer by layer, by direction of the spine, or last time’s end first',
  );
/** The share of a class's work, 0 to 1, a direction should take. */
const bandSchema = z
  .strictObject({
    min: z.number().min(0).max(1).describe('The least share, 0 to 1'),
    max: z.number().min(0).max(1).describe('The most, 0 to 1'),
  })
  .refine((band) => band.min <= band.max, { message: 'expected min to be no more than max' })
  .meta({ id: 'Band', description: 'The share of a class’s work that a direction should take' });
export type Band = z.infer<typeof bandSchema>;

const choice = <S extends SchoolId>(school: S) =>
  z.enum(answersOf(school)).optional().describe(`${SCHOOLS[school].sentence} …: one of the schools`);

export const choicesSchema = z
  .strictObject({
    lowBack: choice('lowBack'),
    effortBreath: choice('effortBreath'),
    breathStyle: choice('breathStyle'),
    legs: choice('legs'),
    seat: choice('seat'),
    begin: choice('begin'),
    sideChange: choice('sideChange'),
  })
  .meta({
    id: 'Choices',
    description:
      'What was chosen where good practitioners differ; on a series, a class or a rung, in place of the house’s',
  });

/** A word of the house, and the words it stands in place of. */
const termSchema = z
  .strictObject({
    use: nameSchema.describe('The words the house says'),
    not: z.array(nameSchema).min(1).max(20).describe('Words it does not say for the same thing'),
  })
  .meta({ id: 'Term', description: 'One thing, one word' });

const stopSignsSchema = z
  .array(sentenceSchema)
  .max(20)
  .describe('Signs on which everybody stops altogether; none said: the usual ones');

const settingsShape = <T extends Record<string, Setting>>(table: T) =>
  Object.fromEntries(
    Object.entries(table).map(([key, { min, max, label, unit, value }]) => [
      key,
      z
        .number()
        .min(min)
        .max(max)
        .optional()
        .describe(`${unit ? `${label}, ${unit}` : label}; ${value} when unsaid`),
    ]),
  ) as { [K in keyof T]: z.ZodOptional<z.ZodNumber> };

/** Limits of the review, key by key. */
export const limitsSchema = z
  .strictObject(settingsShape(LIMIT_SETTINGS))
  .meta({ id: 'Limits', description: 'Where the review begins to speak' });

/** The house rules as they are kept and exported: every key optional, the defaults filled in by `resolveMethod`. */
export const methodSchema = z
  .strictObject({
    ...settingsShape(TIMING_SETTINGS),
    firstSide: sideSchema.optional().describe('The side that begins where nothing else says; left when unsaid'),
    order: orderSchema.optional(),
    uncertainty: z
      .strictObject(settingsShape(UNCERTAINTY_SETTINGS))
      .optional()
      .describe('How much each kind of time varies from one teaching to the next (coefficient of variation)'),
    limits: limitsSchema.optional(),
    score: z
      .strictObject(settingsShape(SCORE_SETTINGS))
      .optional()
      .describe('What findings cost, and what the house likes best'),
    craft: z
      .strictObject(settingsShape(CRAFT_SETTINGS))
      .optional()
      .describe('What a well-made class is measured by: the weight of each term, and where it begins to be missed'),
    directionBands: z
      .partialRecord(directionSchema, bandSchema)
      .optional()
      .describe('The share of the work each direction should take in a class without a focus'),
    edgeSeconds: z
      .record(z.string().regex(/^[a-z0-9-]+>[a-z0-9-]+$/), z.number().min(0).max(300))
      .optional()
      .describe('Seconds of a change of position, “standing>kneeling”; both ways cost the same'),
    choices: choicesSchema.optional(),
    terms: z.array(termSchema).max(200).optional().describe('The words of the house'),
    stopSigns: stopSignsSchema.optional(),
    cautions: z.array(cautionChangeSchema).max(400).optional().describe('Rules of caution the house has changed'),
  })
  .meta({ id: 'Method', description: 'The house rules; every key has a default' });
export type MethodFile = z.infer<typeof methodSchema>;
