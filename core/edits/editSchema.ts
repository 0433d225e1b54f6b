import { z } from 'zod';
import type { Edit } from './edit';

const stepSchema = z.union([z.string(), z.strictObject({ id: z.string() })]);
const pathSchema = z.array(stepSchema).min(1).max(40);
const itemSchema = z.looseObject({ id: z.string() });
const beforeSchema = z.string().nullable();

/** An edit as it is kept and sent. */
export const editSchema = z.array(
  z.discriminatedUnion('op', [
    z.strictObject({ op: z.literal('set'), path: pathSchema, value: z.json().optional(), was: z.json().optional() }),
    z.strictObject({ op: z.literal('put'), path: pathSchema, item: itemSchema, before: beforeSchema }),
    z.strictObject({ op: z.literal('take'), path: pathSchema, item: itemSchema, before: beforeSchema }),
    z.strictObject({
      op: z.literal('move'),
      path: pathSchema,
      id: z.string(),
      before: beforeSchema,
      was: beforeSchema,
    }),
  ]),
) as unknown as z.ZodType<Edit>;
