import type { Problem } from '../../plan';

/** Most problems one report names; a file with more has one cause. */
const MOST_PROBLEMS = 50;

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

/** A path as people read it: `exercises[3].rungs[0].dose.reps`; `the file` for its root. */
export function pathText(path: Problem['path']): string {
  if (path.length === 0) return 'the file';
  return path.map((key, i) => (typeof key === 'number' ? `[${key}]` : `${i === 0 ? '' : '.'}${quoted(key)}`)).join('');
}
