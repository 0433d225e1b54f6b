import { z } from 'zod';
import { positionSchema } from '../../body/positionSchema';
import { methodSchema } from '../../method/methodSchema';
import { audienceSchema, classSchema } from '../../plan/classSchema';
import { roomSchema, teacherSchema } from '../../plan/teacherSchema';
import { exerciseSchema, propSchema } from '../../repertoire/exerciseSchema';
import { seriesSchema } from '../../series/seriesSchema';
import { logSchema } from '../../taught/logSchema';
import { questionSchema } from '../../taught/questionSchema';
import { BUNDLE_FORMAT, BUNDLE_VERSION, type CollectionName, MANY } from './kinds';

/** The schema of each list of a bundle: each holds things with an `id`, unique within its list. */
export const collectionSchemas = {
  positions: positionSchema,
  props: propSchema,
  exercises: exerciseSchema,
  audiences: audienceSchema,
  teachers: teacherSchema,
  rooms: roomSchema,
  classes: classSchema,
  series: seriesSchema,
  logs: logSchema,
  questions: questionSchema,
} as const satisfies Record<CollectionName, z.ZodType<{ id: string }>>;

/** The schema of each kind of document. */
export const documentSchemas = { ...collectionSchemas, method: methodSchema } as const;

const list = <C extends CollectionName>(collection: C, what: string) =>
  z.array(collectionSchemas[collection]).max(MANY).optional().describe(what);

/** The portable file (docs/bundle.schema.json is published from this schema). */
export const bundleSchema = z
  .strictObject({
    format: z.literal(BUNDLE_FORMAT).describe('What this file is'),
    version: z.literal(BUNDLE_VERSION).describe('The version of the format'),
    method: methodSchema.optional(),
    positions: list('positions', 'Positions the studio has added'),
    props: list('props', 'What can be fetched'),
    exercises: list('exercises', 'The repertoire'),
    audiences: list('audiences', 'Who classes are for'),
    teachers: list('teachers', 'Who teaches'),
    rooms: list('rooms', 'Where classes are taught'),
    classes: list('classes', 'Classes'),
    series: list('series', 'Classes that build on one another'),
    logs: list('logs', 'Classes as they were really taught'),
    questions: list('questions', 'What learners asked'),
  })
  .meta({ description: 'A studio, or a part of one, as a portable file' });
export type Bundle = z.infer<typeof bundleSchema>;

/** The JSON Schema (draft 2020-12) of the portable file. */
export const bundleJsonSchema = () => ({
  title: 'Warm Ladder bundle',
  ...z.toJSONSchema(bundleSchema, { target: 'draft-2020-12', io: 'input' }),
});
