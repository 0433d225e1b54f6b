import { z } from 'zod';
import { idSchema, nameSchema, noteSchema } from '../vocabulary/schemas';

const day = z.iso.date();

export const teacherSchema = z
  .strictObject({
    id: idSchema.describe('The id of the teacher'),
    name: nameSchema.describe('What they are called'),
    wordsPerMinute: z.number().min(60).max(260).optional().describe('Words they say in a minute'),
    tempo: z.number().min(0.5).max(4).optional().describe('Multiplies every count when they teach; 1 when unsaid'),
    cleared: z
      .strictObject({
        heat: z.number().min(0).max(100).optional().describe('The hardest rung they may teach'),
        audiences: z.array(idSchema).max(200).optional().describe('Ids of the audiences they may teach'),
      })
      .meta({ id: 'Cleared', description: 'What a teacher may teach' })
      .optional()
      .describe('What they may teach'),
    away: z
      .array(z.strictObject({ from: day.describe('First day away'), to: day.describe('Last day away') }))
      .max(200)
      .optional()
      .describe('When they are away'),
    notes: noteSchema.optional().describe('Notes for the staff'),
  })
  .meta({ id: 'Teacher', description: 'Someone who teaches' });
export type Teacher = z.infer<typeof teacherSchema>;

export const roomSchema = z
  .strictObject({
    id: idSchema.describe('The id of the room'),
    name: nameSchema.describe('What it is called'),
    size: z.int().min(1).max(1000).optional().describe('How many people it holds'),
    props: z
      .record(idSchema, z.int().min(0).max(1000))
      .optional()
      .describe('How many of each prop are there, by the id of the prop'),
    notes: noteSchema.optional().describe('Notes for the staff'),
  })
  .meta({ id: 'Room', description: 'Where classes are taught' });
export type Room = z.infer<typeof roomSchema>;
