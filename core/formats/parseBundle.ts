import { z } from 'zod';
import type { Problem } from '../plan';
import {
  BUNDLE_FORMAT,
  BUNDLE_VERSION,
  type Bundle,
  bundleSchema,
  COLLECTIONS,
  collectionSchemas,
  emptyBundle,
  MANY,
} from './bundle';
import { atOnce, type Steps } from './steps';

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
export const parseBundle = (text: string): ParsedBundle => atOnce(parseBundleSteps(text));

/** The same, a document a step. */
export function* parseBundleSteps(text: string): Steps<ParsedBundle> {
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    const ended = text.trim() === '' ? 'The file is empty' : 'The file is not whole JSON';
    return refused([{ path: [], message: `${ended} (${reason}); expected a ${BUNDLE_FORMAT} file.` }]);
  }
  yield;
  return yield* readBundleSteps(value);
}

/** The same for a value already read from JSON. */
export const readBundle = (value: unknown): ParsedBundle => atOnce(readBundleSteps(value));

/** The bundle with its lists unread: each document is read by itself, so that a large file can be read in steps. */
const outlineSchema: z.ZodType<object & Pick<Bundle, 'method'>> = bundleSchema.extend(
  Object.fromEntries(COLLECTIONS.map((each) => [each, z.array(z.unknown()).max(MANY).optional()])),
);

function* readBundleSteps(value: unknown): Steps<ParsedBundle> {
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
  const outline = outlineSchema.safeParse(value);
  const problems = outline.success ? [] : schemaProblems(outline.error, value);
  const lists: Record<string, unknown[]> = {};
  for (const collection of COLLECTIONS) {
    const list = (value as Record<string, unknown>)[collection];
    if (!Array.isArray(list) || list.length > MANY) continue;
    const read: unknown[] = [];
    for (const [index, each] of list.entries()) {
      const parsed = collectionSchemas[collection].safeParse(each);
      if (parsed.success) read.push(parsed.data);
      else
        problems.push(
          ...schemaProblems(parsed.error, each).map(({ path, message }) => ({
            path: [collection, index, ...path],
            message,
          })),
        );
      yield;
    }
    lists[collection] = read;
  }
  if (problems.length > 0 || !outline.success) return refused(problems);
  const { method } = outline.data;
  return { ok: true, bundle: { ...emptyBundle(), ...(method ? { method } : {}), ...(lists as Partial<Bundle>) } };
}

const refused = (problems: readonly Problem[]): ParsedBundle => ({ ok: false, problems: shortened(problems) });

/** The first fifty problems, and how many more there are. */
export function shortened(problems: readonly Problem[]): Problem[] {
  const more = problems.length - MOST_PROBLEMS;
  if (more <= 0) return [...problems];
  return [...problems.slice(0, MOST_PROBLEMS), { path: [], message: `${more} more problems are not listed.` }];
}

/** Longest stretch of somebody's own text that a sentence repeats. */
const QUOTED = 80;

/** A text of the reader's own, short enough to stand in a sentence. */
export const quoted = (text: string): string => (text.length <= QUOTED ? text : `${text.slice(0, QUOTED)}…`);

/**
 * Zod's issues as sentences with paths; an unknown key is named where it stands, and a key that is not there is said
 * to be missing.
 * @param value what was read, where it is at hand: without it a missing key is told as a wrong type
 */
export function schemaProblems(error: z.ZodError, value?: unknown): Problem[] {
  return error.issues.flatMap((issue): Problem[] => {
    const path = issue.path.filter((key) => typeof key !== 'symbol');
    if (value !== undefined && path.length > 0 && isMissing(value, path)) {
      return [{ path, message: `The key “${String(path.at(-1))}” is missing.` }];
    }
    if (issue.code === 'unrecognized_keys') {
      return issue.keys.map((key) => ({
        path: [...path, quoted(key)],
        message: `The key “${quoted(key)}” is not known here.`,
      }));
    }
    if (issue.code === 'invalid_union') {
      const nested = issue.errors.flat().map(({ message }) => lower(message));
      return [{ path, message: `${sentence(nested.length > 0 ? [...new Set(nested)].join(', or ') : issue.message)}` }];
    }
    return [{ path, message: sentence(issue.message) }];
  });
}

function isMissing(value: unknown, path: Problem['path']): boolean {
  const owner = path
    .slice(0, -1)
    .reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], value);
  return typeof owner === 'object' && owner !== null && !Object.hasOwn(owner, path.at(-1) ?? '');
}

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
const sentence = (text: string): string =>
  `${text.charAt(0).toUpperCase()}${text.slice(1)}${/[.!?]$/.test(text) ? '' : '.'}`;

/** A path as people read it: `exercises[3].rungs[0].dose.reps`; `the file` for its root. */
export function pathText(path: Problem['path']): string {
  if (path.length === 0) return 'the file';
  return path.map((key, i) => (typeof key === 'number' ? `[${key}]` : `${i === 0 ? '' : '.'}${quoted(key)}`)).join('');
}
