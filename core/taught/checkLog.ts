import type { ClassPlan, Problem } from '../plan';
import type { Log } from './logSchema';

type Path = Problem['path'];

/**
 * Whether a log can have happened: its blocks are those of its plan or its class, and its times run forwards. What it
 * names beside them is for the check of the document.
 * @param plan the class, where the studio holds it
 */
export const checkLog = (log: Log, plan: ClassPlan | undefined): Problem[] => [
  ...strangers(log, plan),
  ...backwards(log),
];

function strangers({ blocks = [], plan: planned }: Log, plan: ClassPlan | undefined): Problem[] {
  const known = new Set([
    ...(planned?.blocks ?? []).map(({ id }) => id),
    ...(plan?.blocks ?? []).map(({ id }) => id),
    ...(plan?.spare ?? []).map(({ id }) => id),
  ]);
  return blocks.flatMap(({ id, did }, index): Problem[] => {
    if (did === 'added' || known.has(id)) return [];
    const message = `There is no block “${id}”, neither in the class nor in what was planned that day.`;
    return [{ path: ['blocks', index, 'id'], message }];
  });
}

/** Each side begins after the one before it, in its block and from block to block. */
function backwards({ blocks = [], endedSeconds }: Log): Problem[] {
  const problems: Problem[] = [];
  const after = (seconds: number | undefined, before: number, path: Path): number => {
    if (seconds === undefined) return before;
    if (seconds >= before) return seconds;
    problems.push({ path, message: `The times run backwards: ${seconds} s after ${before} s.` });
    return before;
  };
  // In a run all first sides come before all second ones, so sides are compared with sides.
  const begun = [0, 0];
  let last = 0;
  blocks.forEach(({ passes = [] }, index) => {
    let own = 0;
    passes.forEach(({ startSeconds, endSeconds }, number) => {
      const path = ['blocks', index, 'passes', number];
      own = after(startSeconds, Math.max(own, begun[number] ?? 0), [...path, 'startSeconds']);
      begun[number] = own;
      own = after(endSeconds, own, [...path, 'endSeconds']);
      last = Math.max(last, own);
    });
  });
  after(endedSeconds, last, ['endedSeconds']);
  return problems;
}
