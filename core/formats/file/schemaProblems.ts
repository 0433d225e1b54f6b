import type { z } from 'zod';
import type { Problem } from '../../plan';
import { quoted } from '../checks/problems';

/**
 * Zod's issues as sentences with paths; an unknown key is named where it stands, and a key that is not there is said
 * to be missing.
 * @param value what was read, where it is at hand: without it a missing key is told as a wrong type
 */
export function schemaProblems(error: z.ZodError, value?: unknown): Problem[] {
  // A file with more has one cause: no report names them all.
  return error.issues.slice(0, MOST_ISSUES).flatMap((issue): Problem[] => {
    const path = issue.path.filter((key) => typeof key !== 'symbol');
    if (value !== undefined && path.length > 0 && isMissing(value, path)) {
      return [{ path, message: `The key “${String(path.at(-1))}” is missing.` }];
    }
    if (issue.code === 'unrecognized_keys') {
      return issue.keys.slice(0, MOST_ISSUES).map((key) => ({
        path: [...path, quoted(key)],
        message: `The key “${quoted(key)}” is not known here.`,
      }));
    }
    const branch = issue.code === 'invalid_union' ? branchMeant(issue, path, value) : undefined;
    if (branch) {
      const inner = schemaProblems({ issues: branch } as unknown as z.ZodError, valueAt(value, path));
      return inner.map((problem) => ({ path: [...path, ...problem.path], message: problem.message }));
    }
    if (issue.code === 'invalid_union') {
      const nested = issue.errors
        .flat()
        .slice(0, MOST_ISSUES)
        .map(({ message }) => lower(message));
      return [{ path, message: `${sentence(nested.length > 0 ? [...new Set(nested)].join(', or ') : issue.message)}` }];
    }
    return [{ path, message: sentence(issue.message) }];
  });
}

/** Issues of one document that are made sentences of. */
const MOST_ISSUES = 200;

const valueAt = (value: unknown, path: Problem['path']): unknown =>
  path.reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], value);

/** The issues of the one object that was meant, of several that could stand here: the one with the fewest. */
function branchMeant(
  issue: z.core.$ZodIssueInvalidUnion,
  path: Problem['path'],
  value: unknown,
): z.core.$ZodIssue[] | undefined {
  const found = valueAt(value, path);
  if (typeof found !== 'object' || found === null) return undefined;
  const weight = (branch: readonly z.core.$ZodIssue[]) =>
    branch.reduce((sum, each) => sum + (each.code === 'unrecognized_keys' ? each.keys.length : 1), 0);
  const objects = issue.errors.filter((branch) =>
    branch.every((each) => each.code !== 'invalid_type' || each.path.length > 0),
  );
  return [...objects].sort((a, b) => weight(a) - weight(b))[0];
}

function isMissing(value: unknown, path: Problem['path']): boolean {
  const owner = valueAt(value, path.slice(0, -1));
  return typeof owner === 'object' && owner !== null && !Object.hasOwn(owner, path.at(-1) ?? '');
}

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
const sentence = (text: string): string =>
  `${text.charAt(0).toUpperCase()}${text.slice(1)}${/[.!?]$/.test(text) ? '' : '.'}`;
