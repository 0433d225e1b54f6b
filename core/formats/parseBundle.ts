import type { z } from 'zod';
import type { Problem } from '../plan';
import { BUNDLE_FORMAT, BUNDLE_VERSION, type Bundle, bundleSchema } from './bundle';

export type ParsedBundle =
  | { readonly ok: true; readonly bundle: Bundle }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** Most problems one report names; a file with more has one cause. */
const MOST_PROBLEMS = 50;

/**
 * Reads a bundle from text: all of it, or nothing with a report. Whether its parts fit one another, and what is
 * there already, is for `checkBundle` on the whole, since a file may hold classes alone.
 * @param text the file's text; a byte-order mark is passed over
 */
export function parseBundle(text: string): ParsedBundle {
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    const ended = text.trim() === '' ? 'The file is empty' : 'The file is not whole JSON';
    return refused([{ path: [], message: `${ended} (${reason}); expected a ${BUNDLE_FORMAT} file.` }]);
  }
  return readBundle(value);
}

/** The same for a value already read from JSON. */
export function readBundle(value: unknown): ParsedBundle {
  const head = value as { format?: unknown; version?: unknown } | null;
  if (typeof head !== 'object' || head === null || head.format !== BUNDLE_FORMAT) {
    return refused([{ path: ['format'], message: `Not a bundle; expected "format": "${BUNDLE_FORMAT}".` }]);
  }
  if (typeof head.version === 'number' && head.version > BUNDLE_VERSION) {
    return refused([
      {
        path: ['version'],
        message: `The file has version ${head.version}, made by a newer Warm Ladder; this one reads up to version ${BUNDLE_VERSION}.`,
      },
    ]);
  }
  const parsed = bundleSchema.safeParse(value);
  return parsed.success ? { ok: true, bundle: parsed.data } : refused(schemaProblems(parsed.error));
}

const refused = (problems: readonly Problem[]): ParsedBundle => ({ ok: false, problems: shortened(problems) });

/** The first fifty problems, and how many more there are. */
export function shortened(problems: readonly Problem[]): Problem[] {
  const more = problems.length - MOST_PROBLEMS;
  if (more <= 0) return [...problems];
  return [...problems.slice(0, MOST_PROBLEMS), { path: [], message: `${more} more problems are not listed.` }];
}

/** Zod's issues as sentences with paths; an unknown key is named where it stands. */
export function schemaProblems(error: z.ZodError): Problem[] {
  return error.issues.flatMap((issue): Problem[] => {
    const path = issue.path.filter((key) => typeof key !== 'symbol');
    if (issue.code === 'unrecognized_keys') {
      return issue.keys.map((key) => ({ path: [...path, key], message: `The key “${key}” is not known here.` }));
    }
    if (issue.code === 'invalid_union') {
      const nested = issue.errors.flat().map(({ message }) => lower(message));
      return [{ path, message: `${sentence(nested.length > 0 ? [...new Set(nested)].join(', or ') : issue.message)}` }];
    }
    return [{ path, message: sentence(issue.message) }];
  });
}

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
const sentence = (text: string): string =>
  `${text.charAt(0).toUpperCase()}${text.slice(1)}${/[.!?]$/.test(text) ? '' : '.'}`;

/** A path as people read it: `exercises[3].rungs[0].dose.reps`; `the file` for its root. */
export function pathText(path: Problem['path']): string {
  if (path.length === 0) return 'the file';
  return path.map((key, i) => (typeof key === 'number' ? `[${key}]` : i === 0 ? key : `.${key}`)).join('');
}
