import { schemaProblems } from '@warm-ladder/core/schemas';
import type { z } from 'zod';
import { invalid } from '../errors';

/** Reads a value by a schema, or refuses with every path. @throws Refusal */
export function read<T extends z.ZodType>(
  schema: T,
  value: unknown,
  code: 'INVALID' | 'BAD_REQUEST' = 'INVALID',
): z.infer<T> {
  const parsed = schema.safeParse(value);
  if (!parsed.success) throw invalid(schemaProblems(parsed.error, value), code);
  return parsed.data;
}
