import { applyEdits, type ClassPlan, type PlanEdit, type TimedClass, timeClass } from '../plan';
import type { Catalog } from '../repertoire';
import { type ClassMeasure, type Finding, measuredUnder, type ReviewContext } from '../review';
import { type Kept, keptOf, payOf } from './keeping';
import { type Standing, standingOf } from './standing';

/** Least by which the score must fall for an edit to be worth taking: two classes nearer than this are as good. */
const WORTH_IT = 0.01;

/** A class to be mended, measured, with what it is held against. */
export interface Ground {
  readonly catalog: Catalog;
  readonly context: ReviewContext;
  readonly measure: ClassMeasure;
  readonly standing: Standing;
  /** What a change has to lower beside the score of the review. */
  readonly beside: Beside;
  /** What a change has to make up for; nothing where the class is nobody's yet. */
  readonly kept: Kept | null;
  /** The clock is set right at the end: until then what a change costs in time is not held against it. */
  readonly untimed: boolean;
}

/** What somebody wants of a class that the review does not ask, as a cost in points of the score. */
export type Beside = (timed: TimedClass) => number;

const nothingBeside: Beside = () => 0;

export function groundOf(
  catalog: Catalog,
  measure: ClassMeasure,
  context: ReviewContext,
  beside: Beside = nothingBeside,
  kept: Kept | null = keptOf(measure),
  untimed = false,
): Ground {
  return { catalog, context, measure, standing: standingOf(measure), beside, kept, untimed };
}

/** What edits lead to. */
export interface Outcome {
  readonly plan: ClassPlan;
  readonly measure: ClassMeasure;
  readonly standing: Standing;
}

/** Whether every locked block is as it was, and in the same order among the locked. */
function locksKept(before: ClassPlan, after: ClassPlan): boolean {
  const locked = (plan: ClassPlan) => plan.blocks.filter(({ locked: held }) => held);
  const [was, is] = [locked(before), locked(after)];
  const same = (block: (typeof was)[number], i: number) =>
    block === is[i] || JSON.stringify(block) === JSON.stringify(is[i]);
  return was.length === is.length && was.every(same);
}

/** What a class costs: its score, and what is wanted beside it. */
export const costOn = (
  { beside, untimed }: Pick<Ground, 'beside' | 'untimed'>,
  { score, timed }: ClassMeasure,
): number => score.total - (untimed ? score.parts.time : 0) + beside(timed);

/**
 * What edits lead to; `null` where they would change what is locked, or as soon as it is plain that the class would cost
 * more than `most`.
 */
export function outcomeOf(
  { catalog, context, measure: before, beside, untimed }: Ground,
  edits: readonly PlanEdit[],
  most = Number.POSITIVE_INFINITY,
): Outcome | null {
  const { plan } = before.timed;
  const after = applyEdits(catalog, plan, edits);
  if (!locksKept(plan, after)) return null;
  const timed = timeClass(catalog, after, context);
  if (untimed && !canFit(before.timed, timed)) return null;
  const measure = measuredUnder(catalog, timed, context, most + (untimed ? MOST_TIME : 0) - beside(timed));
  return measure && { plan: after, measure, standing: standingOf(measure) };
}

/** More than this the time of a class never costs, with a block too long and an opening. */
const MOST_TIME = 600;
/** A class this far from its target, as a share, is brought to it by repetitions and rests. */
const FITTING = 0.15;

const canFit = (before: TimedClass, after: TimedClass): boolean => {
  const target = after.plan.targetMinutes * 60;
  const apart = (timed: TimedClass) => Math.abs(timed.seconds - target);
  return apart(after) <= Math.max(FITTING * target, apart(before));
};

/**
 * What edits lead to, where that is better: the score (or whatever else is to fall) falls by 0.01 or more, nothing locked changes, no stop is added.
 * @param mends the finding they are meant for: then its kind has to weigh less after them, or concern fewer
 *   blocks, a look may not make a fix, and the score has to fall by more than the change pays for what it takes away
 * @param fitted they bring the class to its length
 */
export function betterWith(
  ground: Ground,
  edits: readonly PlanEdit[],
  mends?: Pick<Finding, 'code' | 'severity'>,
  fitted = false,
): Outcome | null {
  const { measure: before, standing: was, kept, catalog } = ground;
  const pays = mends && kept ? payOf(catalog, kept, edits, fitted) : 0;
  const most = costOn(ground, before) - Math.max(WORTH_IT, pays);
  const outcome = outcomeOf(ground, edits, most);
  if (!outcome) return null;
  const { measure, standing: is } = outcome;
  if (costOn(ground, measure) > most || is.stop > was.stop) return null;
  if (mends) {
    if (mends.severity === 'look' && is.fix > was.fix && !ground.untimed) return null;
    const lighter = weightOf(before, mends.code) - weightOf(measure, mends.code) >= WORTH_IT;
    if (!lighter && namedIn(measure, mends.code) >= namedIn(before, mends.code)) return null;
  }
  return outcome;
}

/** What all findings of one kind cost. */
const weightOf = ({ raised }: ClassMeasure, code: Finding['code']): number =>
  raised.reduce((sum, { rule, cost }) => (rule.code === code ? sum + cost : sum), 0);

/** How many blocks all findings of one kind concern; a block counts in each. */
const namedIn = ({ raised }: ClassMeasure, code: Finding['code']): number =>
  raised.reduce((sum, { rule, found }) => (rule.code === code ? sum + found.blocks.length : sum), 0);
