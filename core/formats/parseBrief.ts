import type { Problem } from '../plan';
import { type Brief, briefSchema } from '../sequence';
import { schemaProblems } from './schemaProblems';

export type ParsedBrief =
  | { readonly ok: true; readonly brief: Brief }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** Reads a brief from text: all of it, or nothing with a report. */
export function parseBrief(text: string): ParsedBrief {
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
  const parsed = briefSchema.safeParse(value);
  return parsed.success
    ? { ok: true, brief: parsed.data }
    : { ok: false, problems: schemaProblems(parsed.error, value) };
}
