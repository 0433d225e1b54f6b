import { z } from 'zod';
import type { Problem } from '../../plan';
import { quoted, shortened } from '../checks/problems';
import { migrateBundle, OLDEST_VERSION } from '../migrations';
import { BUNDLE_FORMAT, BUNDLE_VERSION, type Bundle, COLLECTIONS, emptyBundle, MANY } from './bundle';
import { bundleSchema, collectionSchemas } from './bundleSchema';
import { schemaProblems } from './schemaProblems';
import { atOnce, type Steps } from './steps';

export type ParsedBundle =
  /** `notes`: what was changed on the way from an older version. */
  | { readonly ok: true; readonly bundle: Bundle; readonly notes: readonly Problem[] }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/**
 * Reads a bundle from text: all of it, or nothing with a report. Whether its parts fit one another, and what is
 * there already, is for `checkBundle` on the whole, since a file may hold classes alone.
 * @param text the file's text; a byte-order mark is passed over
 */
export function parseBundle(text: string): ParsedBundle {
  const parsed = parsedJson(text);
  return 'value' in parsed ? readBundle(parsed.value) : parsed;
}

/** Files read as one at most. */
const MOST_FILES = 100;

/**
 * Reads one bundle, or a list of several as one, a document a step: files that need one another are taken in together, in any order. The
 * path of a problem begins with the place of its file in the list.
 */
export function* parseFilesSteps(text: string): Steps<ParsedBundle> {
  const parsed = parsedJson(text);
  if (!('value' in parsed)) return parsed;
  const { value } = parsed;
  yield;
  if (!Array.isArray(value)) return yield* readBundleSteps(value);
  if (value.length === 0 || value.length > MOST_FILES) {
    return refused([{ path: [], message: `A list of ${value.length} files; expected from 1 to ${MOST_FILES}.` }]);
  }
  const problems: Problem[] = [];
  const notes: Problem[] = [];
  let bundle = emptyBundle();
  for (const [place, file] of value.entries()) {
    const inFile = ({ path, message }: Problem): Problem => ({ path: [place, ...path], message });
    const read = yield* readBundleSteps(file);
    if (!read.ok) {
      problems.push(...read.problems.map(inFile));
      continue;
    }
    notes.push(...read.notes.map(inFile));
    if (read.bundle.method && bundle.method) {
      problems.push({ path: [place, 'method'], message: 'A method stands in more than one file; expected one.' });
    }
    bundle = joined(bundle, read.bundle);
  }
  return problems.length > 0 ? refused(problems) : { ok: true, bundle, notes: shortened(notes) };
}

const joined = (one: Bundle, other: Bundle): Bundle => ({
  ...one,
  ...(other.method ? { method: other.method } : {}),
  ...Object.fromEntries(COLLECTIONS.map((each) => [each, [...(one[each] ?? []), ...(other[each] ?? [])]])),
});

function parsedJson(text: string): { readonly value: unknown } | Extract<ParsedBundle, { ok: false }> {
  try {
    return { value: JSON.parse(text.replace(/^\uFEFF/, '')) };
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    const ended = text.trim() === '' ? 'The file is empty' : 'The file is not whole JSON';
    return refused([{ path: [], message: `${ended} (${reason}); expected a ${BUNDLE_FORMAT} file.` }]);
  }
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
  const { version } = head;
  if (typeof version === 'number' && version > BUNDLE_VERSION) {
    return refused([
      {
        path: ['version'],
        message: `The file has version ${version}, made by a newer Warm Ladder; this one reads up to version ${BUNDLE_VERSION}.`,
      },
    ]);
  }
  if (typeof version !== 'number' || !Number.isInteger(version) || version < OLDEST_VERSION) {
    const found = version === undefined ? 'none' : quoted(JSON.stringify(version));
    const message = `Expected a version from ${OLDEST_VERSION} to ${BUNDLE_VERSION}; found ${found}.`;
    return refused([{ path: ['version'], message }]);
  }
  const { file, notes, problems: unmoved } = migrateBundle(head as Record<string, unknown>, version);
  yield;
  const outline = outlineSchema.safeParse(file);
  const problems = [...unmoved, ...(outline.success ? [] : schemaProblems(outline.error, file))];
  const lists: Record<string, unknown[]> = {};
  for (const collection of COLLECTIONS) {
    const list = file[collection];
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
  const bundle: Bundle = { ...emptyBundle(), ...(method ? { method } : {}), ...(lists as Partial<Bundle>) };
  return { ok: true, bundle, notes: shortened(notes) };
}

const refused = (problems: readonly Problem[]): Extract<ParsedBundle, { ok: false }> => ({
  ok: false,
  problems: shortened(problems),
});
