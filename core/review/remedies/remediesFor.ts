import { applyEdit, type ClassPlan, type PlanEdit } from '../../plan';
import type { Catalog } from '../../repertoire';
import type { Remedy } from '../finding';
import { type ClassMeasure, measureClass, type ToldFinding } from '../reviewClass';
import type { ReviewContext } from '../subject';

/** Least by which the score must fall for an edit to be worth taking: two classes nearer than this are as good. */
const WORTH_IT = 0.01;

/** What an edit leads to, held against what was. */
interface Outcome {
  readonly plan: ClassPlan;
  readonly measure: ClassMeasure;
}

/** The class after several edits. @throws RangeError when an edit names a block that is not there */
export const applyEdits = (catalog: Catalog, plan: ClassPlan, edits: readonly PlanEdit[]): ClassPlan =>
  edits.reduce((sofar, edit) => applyEdit(catalog, sofar, edit), plan);

const stops = ({ raised }: ClassMeasure): number => raised.filter(({ severity }) => severity === 'stop').length;

/** Whether every locked block is as it was, and in the same order among the locked. */
function locksKept(before: ClassPlan, after: ClassPlan): boolean {
  const locked = (plan: ClassPlan) => plan.blocks.filter(({ locked: held }) => held);
  const [was, is] = [locked(before), locked(after)];
  return was.length === is.length && was.every((block, i) => JSON.stringify(block) === JSON.stringify(is[i]));
}

/** What edits lead to, where that is better: the score falls, no stop is added, nothing locked changes. */
export function betterWith(
  catalog: Catalog,
  before: ClassMeasure,
  edits: readonly PlanEdit[],
  context: ReviewContext,
): Outcome | null {
  const { plan } = before.timed;
  const after = applyEdits(catalog, plan, edits);
  if (!locksKept(plan, after)) return null;
  const measure = measureClass(catalog, after, context);
  const better = before.score.total - measure.score.total >= WORTH_IT && stops(measure) <= stops(before);
  return better ? { plan: after, measure } : null;
}

/** A remedy that helps, with the score it leads to. */
export interface WorthyRemedy extends Remedy {
  readonly score: number;
  readonly seconds: number;
}

/**
 * Ways to mend a finding that do make the class better, the best first. Each is tried and measured, so this is asked
 * for one finding at a time.
 */
export function remediesFor(
  catalog: Catalog,
  measured: ClassMeasure,
  finding: ToldFinding,
  context: ReviewContext = {},
): WorthyRemedy[] {
  return finding
    .mend()
    .flatMap((remedy): WorthyRemedy[] => {
      const outcome = betterWith(catalog, measured, remedy.edits, context);
      return outcome ? [{ ...remedy, score: outcome.measure.score.total, seconds: outcome.measure.timed.seconds }] : [];
    })
    .sort((a, b) => a.score - b.score);
}
