import { type ClassPlan, isInterlude, type PlanEdit } from '../plan';
import type { Catalog } from '../repertoire';
import { type ClassMeasure, clock, findingsOf, measureClass, type ReviewContext, type ToldFinding } from '../review';
import { fitted } from './fit';
import { OF_TIME, type TriedFix, triedFixes } from './fixesFor';
import { keptOf } from './keeping';
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
  /** What is only worth a look is mended too. */
  readonly looks?: boolean;
  /** Whether the class is somebody's, and a change has to make up for what it takes from it; so when unsaid. */
  readonly keeping?: boolean;
}

/**
 * Takes fixes until none helps: the gravest finding first, of its fixes the one that lowers the score most for the fewest
 * seconds moved and the least taken from the class. What is only worth a look is left unless asked for; at least half of
 * the blocks stay, no step undoes an earlier one, and the last brings the class to its length.
 * @throws PlanError when the class does not fit the repertoire
 */
export function mend(
  catalog: Catalog,
  plan: ClassPlan,
  context: ReviewContext = {},
  options: MendOptions = {},
): Mended {
  const { looks = false, keeping = true, beside } = options;
  const stay = blocksThatStay(plan);
  const steps: MendStep[] = [];
  let measure = measureClass(catalog, plan, context);
  const kept = keeping ? keptOf(measure) : null;
  const stuck = new Set<string>();
  const most = options.steps ?? STEPS;
  const ground = () => groundOf(catalog, measure, context, beside, kept);
  const asked = ({ severity, code }: ToldFinding) => looks || severity !== 'look' || OF_TIME.has(code);
  const search = () => bestStep(ground(), { stay, stuck, asked, steps, first: plan });
  while (steps.length < most) {
    let best = search();
    // What found no fix before may find one in the class as it has become.
    if (!best && stuck.size > 0 && options.steps === undefined) {
      stuck.clear();
      best = search();
    }
    best ??= keeping ? toLength(ground(), steps, plan) : null;
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

interface Looking {
  readonly stay: (after: ClassPlan) => boolean;
  /** Findings that no fix was found for so far; left aside, and added to. */
  readonly stuck: Set<string>;
  readonly asked: (finding: ToldFinding) => boolean;
  readonly steps: readonly MendStep[];
  readonly first: ClassPlan;
}

type Stepped = { readonly step: MendStep; readonly measure: ClassMeasure };

function bestStep(ground: Ground, { stay, stuck, asked, steps, first }: Looking): Stepped | null {
  const { measure } = ground;
  for (const finding of findingsOf(measure)) {
    const known = `${finding.code} ${finding.ids.join(' ')}`;
    if (stuck.has(known) || !asked(finding)) continue;
    const cures = ({ before, after }: TriedFix) => before.score - after.score >= costOf(measure, finding);
    const fixes = triedFixes(ground, finding, (found) => found.some(cures)).filter(
      ({ outcome, edits }) => stay(outcome.plan) && !undoes(edits, outcome.plan, steps, first),
    );
    const best = fixes.reduce<TriedFix | null>((most, fix) => (most && worth(most) >= worth(fix) ? most : fix), null);
    if (!best) {
      stuck.add(known);
      continue;
    }
    return stepOf(finding.code, best, best.outcome.measure);
  }
  return null;
}

const stepOf = (
  code: ToldFinding['code'],
  { label, edits, before, after }: Omit<MendStep, 'code' | 'plan'>,
  measure: ClassMeasure,
): Stepped => ({ step: { code, label, edits, before, after, plan: measure.timed.plan }, measure });

/** Whether edits would take back what an earlier step did: take out what it put in, or put back what it changed. */
function undoes(edits: readonly PlanEdit[], after: ClassPlan, steps: readonly MendStep[], first: ClassPlan): boolean {
  if (steps.length === 0) return false;
  const added = new Set<string>();
  const touched = new Set<string>();
  for (const step of steps) {
    for (const edit of step.edits) {
      if (edit.kind === 'insert') added.add(edit.block.id);
      else if (edit.kind !== 'class') touched.add(edit.id);
    }
  }
  return edits.some((edit) => {
    if (edit.kind === 'class' || edit.kind === 'insert') return false;
    if (added.has(edit.id)) return edit.kind === 'remove' || edit.kind === 'swap';
    if (!touched.has(edit.id)) return false;
    if (edit.kind === 'move')
      return steps.some((step) => step.edits.some((one) => one.kind === 'move' && one.id === edit.id));
    const [was, is] = [first, after].map(({ blocks }) => blocks.find(({ id }) => id === edit.id));
    return was !== undefined && is !== undefined && JSON.stringify(sorted(was)) === JSON.stringify(sorted(is));
  });
}

const sorted = (block: object) => Object.entries(block).sort(([a], [b]) => a.localeCompare(b));

/** Shares of the target that a class may be short of it. */
const SHORT = 0.04;

/** The class brought to its length, whether or not its time was at fault; `null` where it has it, or had a step for it. */
function toLength(ground: Ground, steps: readonly MendStep[], first: ClassPlan): Stepped | null {
  const { measure, standing: before } = ground;
  const target = measure.timed.plan.targetMinutes * 60;
  const { seconds } = measure.timed;
  const purpose = first.purpose ?? 'class';
  if (steps.length === 0 || purpose !== 'class') return null;
  if ((seconds <= target && seconds >= target * (1 - SHORT)) || steps.at(-1)?.label.startsWith(FITTED)) return null;
  const fit = fitted(ground);
  if (!fit || Math.abs(fit.standing.seconds - target) >= Math.abs(seconds - target)) return null;
  if (fit.standing.stop > before.stop || fit.standing.fix > before.fix) return null;
  const code = seconds > target ? 'TIME_OVER' : 'TIME_UNDER';
  const label = `${FITTED} ${clock(target)}`;
  return stepOf(code, { label, edits: fit.edits, before, after: fit.standing }, fit.measure);
}
const FITTED = 'Fit it to';

/** What a finding costs. */
const costOf = ({ raised }: ClassMeasure, { code, blocks }: ToldFinding): number =>
  raised.find(({ rule, found }) => rule.code === code && found.blocks === blocks)?.cost ?? 0;

/** Seconds that any change is taken to cost, so that one that moves no time is not worth everything. */
const LEAST_SECONDS = 30;

/** Most score, beyond what is taken from the class, for the fewest seconds moved. */
const worth = ({ before, after, pays }: TriedFix): number =>
  (before.score - after.score - pays) / (LEAST_SECONDS + Math.abs(after.seconds - before.seconds));

/** How much of a class that was given is still in it: its exercises, its peak and its idea. */
export interface KeptOf {
  readonly rungs: number;
  readonly of: number;
  readonly peak: boolean;
  readonly idea: boolean;
}

export function keptIn(before: ClassMeasure, after: ClassPlan): KeptOf {
  const keys = (plan: ClassPlan) =>
    plan.blocks.flatMap((block) => (isInterlude(block) ? [] : [`${block.exercise}/${block.rung}`]));
  const left = keys(after);
  const own = keys(before.timed.plan);
  const still = own.filter((key) => {
    const at = left.indexOf(key);
    if (at >= 0) left.splice(at, 1);
    return at >= 0;
  });
  const { arc, thread } = before.subject;
  const inAfter = new Set(keys(after));
  return {
    rungs: still.length,
    of: own.length,
    peak: arc === null || inAfter.has(arc.peak.entry.key),
    idea: thread === null || thread.blocks.every(({ entry }) => inAfter.has(entry.key)),
  };
}
