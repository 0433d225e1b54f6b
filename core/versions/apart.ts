import type { Outline } from './outline';

/** What only the one, and what only the other of two lists has; what stands twice counts twice. */
export interface Apart {
  readonly gone: readonly string[];
  readonly come: readonly string[];
}

/** @example apart(['a', 'a', 'b'], ['a', 'c']) // { gone: ['a', 'b'], come: ['c'] } */
export const apart = (before: readonly string[], after: readonly string[]): Apart => ({
  gone: without(before, after),
  come: without(after, before),
});

function without(list: readonly string[], other: readonly string[]): string[] {
  const left = new Map<string, number>();
  for (const each of other) left.set(each, (left.get(each) ?? 0) + 1);
  return list.filter((each) => {
    const count = left.get(each) ?? 0;
    if (count > 0) left.set(each, count - 1);
    return count === 0;
  });
}

/** What sets a version of a class apart from another. */
export interface Difference {
  /** Seconds, and score, of the other less those of the one. */
  readonly seconds: number;
  readonly score: number;
  readonly steps: Apart;
  readonly findings: Apart;
  readonly lines: Apart;
}

export const differenceOf = (before: Outline, after: Outline): Difference => ({
  seconds: after.standing.seconds - before.standing.seconds,
  score: after.standing.score - before.standing.score,
  steps: apart(namesOf(before), namesOf(after)),
  findings: apart(before.findings, after.findings),
  lines: apart(before.lines, after.lines),
});
const namesOf = ({ steps }: Outline): string[] => steps.map(({ name }) => name);
