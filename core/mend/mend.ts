import { type ClassPlan, isInterlude, type PlanEdit } from '../plan';
import type { Catalog } from '../repertoire';
import { type ClassMeasure, clock, type Finding, findingsOf, measureClass, type ReviewContext, RULES } from '../review';
import { type Searching, searchedThrough } from '../vocabulary/searching';
import { fitted } from './fit';
import { isOfLength, type TriedFix, triedFixes } from './fixesFor';
import { keptOf } from './keeping';
import { insertions } from './neighbours';
import { type Standing, standingOf } from './standing';
import { type Beside, costOn, type Ground, groundOf, type Outcome, outcomeOf } from './trial';
import { undoes } from './undoes';
import { type LeftOver, whyLeft } from './whyLeft';

/** One step of mending. */
export interface MendStep {
  readonly code: Finding['code'];
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

/** Findings that are about time: only for those does it count on the way. */
const IN_TIME: ReadonlySet<Finding['code']> = new Set(
  RULES.filter(({ part }) => part === 'time').map(({ code }) => code),
);

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
export const mend = (catalog: Catalog, plan: ClassPlan, context?: ReviewContext, options?: MendOptions): Mended =>
  searchedThrough(mending(catalog, plan, context, options));

/** The same as a search that can be stopped with the steps it has: it tells how many those are. */
export function* mending(
  catalog: Catalog,
  plan: ClassPlan,
  context: ReviewContext = {},
  options: MendOptions = {},
): Searching<Mended> {
  const { looks = false, keeping = true, beside } = options;
  const stay = blocksThatStay(plan);
  const steps: MendStep[] = [];
  let measure = measureClass(catalog, plan, context);
  const kept = keeping ? keptOf(measure) : null;
  const stuck = new Set<string>();
  const most = options.steps ?? STEPS;
  const ground = (untimed = false) => groundOf(catalog, measure, context, beside, kept, untimed);
  const asked = (finding: Finding) => looks || finding.severity !== 'look' || isOfLength(finding);
  const search = () => bestStep(ground, { stay, stuck, asked, steps, first: plan });
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
    if (!(yield steps.length)) break;
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
  readonly asked: (finding: Finding) => boolean;
  readonly steps: readonly MendStep[];
  readonly first: ClassPlan;
}

type Stepped = { readonly step: MendStep; readonly measure: ClassMeasure };

function bestStep(
  groundOn: (untimed?: boolean) => Ground,
  { stay, stuck, asked, steps, first }: Looking,
): Stepped | null {
  const ground = groundOn();
  const { measure } = ground;
  // The clock last: what is mended before it moves it.
  const findings = findingsOf(measure);
  const ordered = [...findings.filter((finding) => !isOfLength(finding)), ...findings.filter(isOfLength)];
  for (const finding of ordered) {
    const known = `${finding.code} ${finding.ids.join(' ')}`;
    if (stuck.has(known) || !asked(finding)) continue;
    const allowed = ({ outcome, edits }: TriedFix) => stay(outcome.plan) && !undoes(edits, outcome.plan, steps, first);
    const found = (on: Ground) => {
      const cures = ({ outcome }: TriedFix) =>
        costOn(on, measure) - costOn(on, outcome.measure) >= costOf(measure, finding);
      const worth = worthOn(on);
      return (
        triedFixes(on, finding, (tried) => tried.some(cures))
          .filter(allowed)
          // Of ways that cure it the one that takes least from the class: both sides before two blocks, a lower rung of
          // the ladder before another exercise.
          .sort(
            (one, other) =>
              Number(cures(other)) - Number(cures(one)) ||
              (cures(one) ? one.pays - other.pays : 0) ||
              worth(other) - worth(one),
          )
      );
    };
    const [best] = found(ground);
    if (best) return stepOf(finding.code, best, best.outcome.measure);
    // What would help, did it not take or give time, comes with the class brought to its length.
    const timed = ground.kept && !IN_TIME.has(finding.code) ? found(groundOn(true)) : [];
    for (const fix of timed.slice(0, WITH_FIT)) {
      const step = withFit(ground, finding.code, fix);
      if (step) return step;
    }
    stuck.add(known);
  }
  return null;
}

/** Ways that help but for the clock that are tried with the class brought to its length. */
const WITH_FIT = 3;

/** A way to mend with the class brought to its length after it, as one step; `null` where that does not help either. */
function withFit(ground: Ground, code: Finding['code'], fix: TriedFix): Stepped | null {
  const fit = fitted({ ...ground, measure: fix.outcome.measure, standing: fix.outcome.standing });
  if (!fit) return null;
  const pays = fix.pays + FITTED_PAYS;
  if (costOn(ground, fit.measure) > costOn(ground, ground.measure) - pays) return null;
  if (fit.standing.stop > ground.standing.stop) return null;
  const target = clock(ground.measure.timed.plan.targetMinutes * 60);
  const label = `${fix.label}; fit it to ${target}`;
  const edits = [...fix.edits, ...fit.edits];
  return stepOf(code, { label, edits, before: ground.standing, after: fit.standing }, fit.measure);
}
/** Bringing a class to its length pays this much, all of it as one. */
const FITTED_PAYS = 1;

const stepOf = (
  code: Finding['code'],
  { label, edits, before, after }: Omit<MendStep, 'code' | 'plan'>,
  measure: ClassMeasure,
): Stepped => ({ step: { code, label, edits, before, after, plan: measure.timed.plan }, measure });

/** Shares of the target that a class may be short of it. */
const SHORT = 0.04;

/** The class brought to its length, whether or not its time was at fault; `null` where it has it, or had a step for it. */
function toLength(ground: Ground, steps: readonly MendStep[], first: ClassPlan): Stepped | null {
  const { measure, standing: before } = ground;
  const target = measure.timed.plan.targetMinutes * 60;
  const { seconds } = measure.timed;
  const purpose = first.purpose ?? 'class';
  if (steps.length === 0 || purpose !== 'class') return null;
  if (seconds <= target && seconds >= target * (1 - SHORT)) return null;
  const code = seconds > target ? 'TIME_OVER' : 'TIME_UNDER';
  // Once more it would move nothing.
  const fit = steps.at(-1)?.label.startsWith(FITTED) ? null : fitted(ground);
  const nearer = fit && Math.abs(fit.standing.seconds - target) < Math.abs(seconds - target);
  if (fit && nearer && !isGraver(before, fit.standing)) {
    const label = `${FITTED} ${clock(target)}`;
    return stepOf(code, { label, edits: fit.edits, before, after: fit.standing }, fit.measure);
  }
  return seconds < target ? oneMore(ground, target) : null;
}

const isGraver = (before: Standing, after: Standing): boolean => after.stop > before.stop || after.fix > before.fix;

/** One block more of a ladder that is in the class, where no range reaches its length; the one that costs least. */
function oneMore(ground: Ground, target: number): Stepped | null {
  const { measure, standing: before } = ground;
  const { homeHeat } = measure.subject.limits;
  const own = new Set(measure.timed.blocks.map(({ entry }) => entry.exercise));
  const { catalog } = ground;
  let best: { readonly fix: ReturnType<typeof insertions>[number]; readonly outcome: Outcome } | null = null;
  for (const fix of insertions(measure, (entry) => own.has(entry.exercise) && catalog.heat(entry) <= homeHeat)) {
    const outcome = outcomeOf(ground, fix.edits);
    if (!outcome || outcome.standing.seconds > target || isGraver(before, outcome.standing)) continue;
    if (!best || costOn(ground, outcome.measure) < costOn(ground, best.outcome.measure)) best = { fix, outcome };
  }
  if (!best || best.outcome.standing.score >= before.score) return null;
  const { fix, outcome } = best;
  return stepOf('TIME_UNDER', { label: fix.label, edits: fix.edits, before, after: outcome.standing }, outcome.measure);
}
const FITTED = 'Fit it to';

/** What a finding costs. */
const costOf = ({ raised }: ClassMeasure, { code, blocks }: Finding): number =>
  raised.find(({ rule, found }) => rule.code === code && found.blocks === blocks)?.cost ?? 0;

/** Seconds that any change is taken to cost, so that one that moves no time is not worth everything. */
const LEAST_SECONDS = 30;

/** What is taken from the class weighs so much more between two ways that both help. */
const TAKEN = 5;

/** Most score, beyond what is taken from the class, for the fewest seconds moved. */
const worthOn =
  (ground: Ground) =>
  ({ before, after, outcome, pays }: TriedFix): number =>
    (costOn(ground, ground.measure) - costOn(ground, outcome.measure) - TAKEN * pays) /
    (LEAST_SECONDS + Math.abs(after.seconds - before.seconds));

/** How much of a class that was given is still in it: its exercises, its peak and its idea. */
export interface KeptOf {
  readonly rungs: number;
  readonly of: number;
  readonly peak: boolean;
  readonly idea: boolean;
}

/** What is kept in words. @example '17 of 20 exercises, its peak, its idea' */
export function keptText({ rungs, of, peak, idea }: KeptOf): string {
  const exercises = rungs === of ? `all ${of} exercises` : `${rungs} of ${of} exercises`;
  return [exercises, ...(peak ? ['its peak'] : []), ...(idea ? ['its idea'] : [])].join(', ');
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
