import { z } from 'zod';
import { POSITIONS } from '../vocabulary/bodies/position';
import { idSchema, nameSchema } from '../vocabulary/schemas';

/** A position a studio adds: how it is like one of the eight (for the figure and the load), and its edges in seconds. */
export const positionSchema = z
  .strictObject({
    id: idSchema.describe('The id of the position'),
    name: nameSchema.describe('What it is called'),
    like: z.enum(POSITIONS).describe('The one of the eight it is drawn and measured as'),
    edges: z.record(idSchema, z.number().min(0).max(300)).describe('Seconds to reach each neighbouring position'),
  })
  .meta({ id: 'Position', description: 'A position the studio has added' });
export type StudioPosition = z.infer<typeof positionSchema>;
