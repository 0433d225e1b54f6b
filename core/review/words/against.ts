import type { Condition } from '../../caution';
import type { TimedClass } from '../../plan';
import type { Catalog } from '../../repertoire';
import { type ReviewContext, Subject } from '../subject/subject';

/**
 * For each block of a class, by its index, the conditions of the room with which something else is taken than it asks,
 * as the review judges them: stretches of time over all blocks they run through, rates by the room's counts, checks as
 * they stand on the day.
 */
export function conditionsAgainst(
  catalog: Catalog,
  timed: TimedClass,
  context: ReviewContext,
): ReadonlyMap<number, readonly Condition[]> {
  const { fired } = new Subject(catalog, timed, context);
  const found = new Map<number, Condition[]>();
  for (const { rule, on } of fired.all) {
    if (rule.verdict === 'adapt') continue;
    for (const { index } of on) {
      const known = found.get(index) ?? [];
      if (!known.includes(rule.condition)) known.push(rule.condition);
      found.set(index, known);
    }
  }
  return found;
}
