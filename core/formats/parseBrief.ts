import type { z } from 'zod';
import type { Problem } from '../plan';
import { type Brief, briefSchema, type SeriesBrief, seriesBriefSchema } from '../sequence';
import { schemaProblems } from './schemaProblems';

export type ParsedBrief<T> =
  | { readonly ok: true; readonly brief: T }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** Reads a brief from text: all of it, or nothing with a report. */
function parsed<T>(text: string, schema: z.ZodType<T>): ParsedBrief<T> {
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    return {
      ok: false,
      problems: [{ path: [], message: `The file is not whole JSON (${reason}); expected a brief.` }],
    };
  }
  const read = schema.safeParse(value);
  return read.success ? { ok: true, brief: read.data } : { ok: false, problems: schemaProblems(read.error, value) };
}

/** The brief of a class. */
export const parseBrief = (text: string): ParsedBrief<Brief> => parsed(text, briefSchema);

/** The brief of a whole series. */
export const parseSeriesBrief = (text: string): ParsedBrief<SeriesBrief> => parsed(text, seriesBriefSchema);
