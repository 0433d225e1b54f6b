import { z } from 'zod';
import { abdominalCheckSchema, conditionSchema } from '../caution/condition';
import { directionSchema } from '../method/direction';
import { idSchema, nameSchema, noteSchema } from '../method/text';
import { doseChangeSchema } from '../repertoire/exercise';

/** Who a class is for: how they move between positions and where the lower option must begin. */
export const audienceSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Multiplies the seconds of changing position: 1 is brisk, 1.5 unhurried. */
  pace: z.number().min(0.5).max(4).optional(),
  /** The heat of a home rung everyone in this audience can take; a hotter one needs a lower option. */
  homeHeat: z.number().min(0).max(100).optional(),
  /** How often they may be sent up from the floor to standing in one class. */
  floorTrips: z.int().min(0).max(50).optional(),
  /** Conditions present in the room; every rung is held against them. */
  cautions: z.array(conditionSchema).max(30).optional(),
  /** The dated record of finger-width checks; the newest one counts. */
  abdominalChecks: z.array(abdominalCheckSchema).max(200).optional(),
  /** Props this audience has at hand; none named means all the studio's. */
  equipment: z.array(idSchema).max(60).optional(),
  notes: noteSchema.optional(),
});
export type Audience = z.infer<typeof audienceSchema>;

export const blockSchema = z.strictObject({
  exercise: idSchema,
  rung: idSchema,
  mode: z.enum(['teach', 'flow']),
  dose: doseChangeSchema.optional(),
  /** Rungs of the same exercise offered aloud beside the home rung. */
  options: z.array(idSchema).max(6).optional(),
  /** This side only. */
  side: z.enum(['left', 'right']).optional(),
  /** Neighbours with the same run are done on the first side together, then on the second. */
  run: z.string().trim().min(1).max(24).optional(),
  restAfterSeconds: z.number().min(0).max(600).optional(),
  notes: noteSchema.optional(),
});
export type Block = z.infer<typeof blockSchema>;

export const classSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  delivery: z.enum(['group', 'on-demand']),
  targetMinutes: z.number().min(1).max(240),
  openingSeconds: z.number().min(0).max(3600),
  closingSeconds: z.number().min(0).max(3600),
  openingPosition: idSchema.optional(),
  audience: idSchema.optional(),
  /** Conditions in this class beside its audience's own. */
  cautions: z.array(conditionSchema).max(30).optional(),
  /** The direction a themed class leans towards; none for a balanced one. */
  focus: directionSchema.optional(),
  notes: noteSchema.optional(),
  blocks: z.array(blockSchema).max(400),
});
export type ClassPlan = z.infer<typeof classSchema>;
