import type { ClassPlan, PlanEdit } from '../plan';
import type { Catalog } from '../repertoire';
import { type ClassMeasure, findingsOf, measureClass, type ReviewContext, type ToldFinding } from '../review';
import { type TriedFix, triedFixes } from './fixesFor';
import { type Standing, standingOf } from './standing';
import { type Beside, type Ground, groundOf } from './trial';
import { type LeftOver, whyLeft } from './whyLeft';

/** One step of mending. */
export interface MendStep {
  readonly code: ToldFinding['code'];
  readonly label: string;
  readonly edits: readonly PlanEdit[];
  readonly before: Standing;
  readonly after: Standing;
  /** The class after it. */
  readonly plan: ClassPlan;
}

export interface Mended {
  readonly plan: ClassPlan;
  readonly measure: ClassMeasure;
  readonly steps: readonly MendStep[];
  readonly left: Standing;
  /** Why what is left is left. */
  readonly why: readonly LeftOver[];
}

/** Most steps: each lowers the score, so it ends by itself; this is how many a director would read. */
const STEPS = 200;

export interface MendOptions {
  /** Most steps, none of them looked for twice; by default as many as help. */
  readonly steps?: number;
  /** What each step has to lower beside the score of the review. */
  readonly beside?: Beside;
}

/**
 * Takes fixes until none helps: the gravest finding first, of its fixes the one that lowers the score most for the fewest
 * seconds moved. Every step lowers the score; at least half of the blocks stay.
 * @throws PlanError when the class does not fit the repertoire
 */
export function mend(
  catalog: Catalog,
  plan: ClassPlan,
  context: ReviewContext = {},
  options: MendOptions = {},
): Mended {
  const stay = blocksThatStay(plan);
  const steps: MendStep[] = [];
  let measure = measureClass(catalog, plan, context);
  const stuck = new Set<string>();
  const most = options.steps ?? STEPS;
  while (steps.length < most) {
    let best = bestStep(groundOf(catalog, measure, context, options.beside), stay, stuck);
    // What found no fix before may find one in the class as it has become.
    if (!best && stuck.size > 0 && options.steps === undefined) {
      stuck.clear();
      best = bestStep(groundOf(catalog, measure, context, options.beside), stay, stuck);
    }
    if (!best) break;
    steps.push(best.step);
    measure = best.measure;
  }
  const left = standingOf(measure);
  return { plan: measure.timed.plan, measure, steps, left, why: whyLeft(measure) };
}

/** Whether enough of the class that was given is still there. */
function blocksThatStay({ blocks }: ClassPlan): (after: ClassPlan) => boolean {
  const ids = new Set(blocks.map(({ id }) => id));
  return (after) => 2 * after.blocks.filter(({ id }) => ids.has(id)).length >= blocks.length;
}

/** @param stuck findings that no fix was found for so far; left aside, and added to */
function bestStep(
  ground: Ground,
  stay: (after: ClassPlan) => boolean,
  stuck: Set<string>,
): { readonly step: MendStep; readonly measure: ClassMeasure } | null {
  const { measure } = ground;
  for (const finding of findingsOf(measure)) {
    const known = `${finding.code} ${finding.ids.join(' ')}`;
    if (stuck.has(known)) continue;
    const cures = ({ before, after }: TriedFix) => before.score - after.score >= costOf(measure, finding);
    const fixes = triedFixes(ground, finding, (found) => found.some(cures)).filter(({ outcome }) => stay(outcome.plan));
    const best = fixes.reduce<TriedFix | null>((most, fix) => (most && worth(most) >= worth(fix) ? most : fix), null);
    if (!best) {
      stuck.add(known);
      continue;
    }
    const { label, edits, before, after, outcome } = best;
    return {
      step: { code: finding.code, label, edits, before, after, plan: outcome.plan },
      measure: outcome.measure,
    };
  }
  return null;
}

/** What a finding costs. */
const costOf = ({ raised }: ClassMeasure, { code, blocks }: ToldFinding): number =>
  raised.find(({ rule, found }) => rule.code === code && found.blocks === blocks)?.cost ?? 0;

/** Seconds that any change is taken to cost, so that one that moves no time is not worth everything. */
const LEAST_SECONDS = 30;

/** Most score for the fewest seconds moved. */
const worth = ({ before, after }: TriedFix): number =>
  (before.score - after.score) / (LEAST_SECONDS + Math.abs(after.seconds - before.seconds));
