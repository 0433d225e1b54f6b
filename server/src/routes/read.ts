import { schemaProblems } from '@warm-ladder/core/schemas';
import type { z } from 'zod';
import { invalid } from '../errors';

/** Reads a value by a schema, or refuses with every path. @throws Refusal INVALID */
export function read<T extends z.ZodType>(schema: T, value: unknown): z.infer<T> {
  const parsed = schema.safeParse(value);
  if (!parsed.success) throw invalid(schemaProblems(parsed.error, value));
  return parsed.data;
}
