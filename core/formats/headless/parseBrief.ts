import type { z } from 'zod';
import type { Problem } from '../../plan';
import { type Brief, briefSchema, type SeriesBrief, seriesBriefSchema } from '../../sequence';
import { type Habits, habitsSchema } from '../../taught/speak';
import { schemaProblems } from '../file/schemaProblems';

export type ParsedBrief<T> =
  | { readonly ok: true; readonly brief: T }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** Reads a brief from text: all of it, or nothing with a report. */
function parsed<T>(text: string, schema: z.ZodType<T>, expected = 'a brief'): ParsedBrief<T> {
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    return {
      ok: false,
      problems: [{ path: [], message: `The file is not whole JSON (${reason}); expected ${expected}.` }],
    };
  }
  const read = schema.safeParse(value);
  return read.success ? { ok: true, brief: read.data } : { ok: false, problems: schemaProblems(read.error, value) };
}

/** The brief of a class. */
export const parseBrief = (text: string): ParsedBrief<Brief> => parsed(text, briefSchema);

/** Habits of a stand-in teacher. */
export const parseHabits = (text: string): ParsedBrief<Habits> => parsed(text, habitsSchema, 'habits');

/** The brief of a whole series. */
export const parseSeriesBrief = (text: string): ParsedBrief<SeriesBrief> => parsed(text, seriesBriefSchema);
