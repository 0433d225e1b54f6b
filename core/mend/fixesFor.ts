import type { PlanEdit } from '../plan';
import type { Catalog, RungEntry } from '../repertoire';
import {
  type ClassMeasure,
  clock,
  type Finding,
  type FindingCode,
  type ReviewContext,
  remediesFor,
  ruleOf,
  SCORE_PARTS,
} from '../review';
import { fitEdits } from './fit';
import { payOf } from './keeping';
import { insertions, insteadOf, type Neighbour, neighboursAt } from './neighbours';
import type { Standing } from './standing';
import { betterWith, costOn, type Ground, groundOf, type Outcome, outcomeOf } from './trial';

/** A way to mend a finding that does make the class better. */
export interface Fix {
  readonly label: string;
  readonly edits: readonly PlanEdit[];
  /** It follows the finding's own advice. */
  readonly advised: boolean;
  readonly before: Standing;
  readonly after: Standing;
}

/** A fix with the class it leads to, for what goes on from there. */
export interface TriedFix extends Fix {
  readonly outcome: Outcome;
  /** What it takes from the class that was given, in points of the score. */
  readonly pays: number;
}

/** How many fixes are told of at once: more are not read. */
const TOLD = 6;
/** Blocks of a finding that are tried one by one. */
const BLOCKS = 8;

/** Whether a finding is about the length of the class. */
export const isOfLength = ({ code }: Pick<Finding, 'code'>): boolean => ruleOf(code).ofLength === true;

/**
 * Ways to mend a finding that make the class better, found by trying what the finding itself advises and what lies
 * near it: other rungs, doses, places, ways of doing it, something added, something left out. Advice comes first, then
 * what keeps people in their position; a way to leave something out is among them when it helps.
 */
export function fixesFor(
  catalog: Catalog,
  measure: ClassMeasure,
  finding: Finding,
  context: ReviewContext = {},
): Fix[] {
  const tried = triedFixes(groundOf(catalog, measure, context), finding).sort(
    (a, b) =>
      Number(b.advised) - Number(a.advised) || Number(b.stays) - Number(a.stays) || a.after.score - b.after.score,
  );
  const told = tried.slice(0, TOLD);
  const leftOut = tried.find(({ leavesOut }) => leavesOut);
  if (leftOut && !told.includes(leftOut)) told.splice(TOLD - 1, 1, leftOut);
  return told.map(({ label, edits, advised, before, after }) => ({ label, edits, advised, before, after }));
}

type Tried = TriedFix & Pick<Neighbour, 'stays' | 'leavesOut'>;

/**
 * Every way that helps, in the order it was tried.
 * @param enough whether what was found for one block does, so that the next need not be looked at
 */
export function triedFixes(
  ground: Ground,
  finding: Finding,
  enough: (found: readonly TriedFix[]) => boolean = () => false,
): Tried[] {
  const { standing: before } = ground;
  const tried: Tried[] = [];
  const seen = new Set<string>();
  const attempt = ({ label, edits, stays, leavesOut, fitted = false }: Advice, advised: boolean) => {
    if (seen.has(label) || edits.length === 0) return;
    seen.add(label);
    const outcome = betterWith(ground, edits, finding, fitted);
    if (!outcome) return;
    const pays = ground.kept ? payOf(ground.catalog, ground.kept, edits, fitted) : 0;
    const found = { label, edits, stays, advised, before, after: outcome.standing, outcome, pays };
    tried.push(leavesOut ? { ...found, leavesOut } : found);
  };
  for (const remedy of advice(ground, finding)) attempt(remedy, true);
  for (const group of nearby(ground, finding)) {
    if (enough(tried)) return tried;
    for (const neighbour of group()) attempt(neighbour, false);
  }
  // Worth its many trials only where no single change helps.
  const all = tried.length === 0 ? allOfThem(ground, finding) : null;
  if (all) attempt(all, false);
  return tried;
}

/**
 * Every block of a finding changed at once, each by what takes it out of the finding for the least: a finding is as grave
 * as its worst block, so changing one alone may help nothing.
 */
function allOfThem(ground: Ground, finding: Finding): Neighbour | null {
  const { ids } = finding;
  if (ids.length < 2 || ids.length > BLOCKS) return null;
  const taken: Neighbour[] = [];
  let now = ground;
  for (const id of ids) {
    const best = leastThatFrees(now, finding.code, id);
    if (!best) return null;
    taken.push(best.neighbour);
    now = groundOf(ground.catalog, best.outcome.measure, ground.context, ground.beside, ground.kept, ground.untimed);
  }
  return {
    label: taken.map(({ label }) => label).join('; '),
    edits: taken.flatMap(({ edits }) => edits),
    stays: taken.every(({ stays }) => stays),
  };
}

/** The change by which a block is no longer in a finding of a kind, for the least score. */
function leastThatFrees(
  ground: Ground,
  code: FindingCode,
  id: string,
): { readonly neighbour: Neighbour; readonly outcome: Outcome } | null {
  const { measure } = ground;
  const index = measure.timed.plan.blocks.findIndex((block) => block.id === id);
  let best: { readonly neighbour: Neighbour; readonly outcome: Outcome } | null = null;
  for (const neighbour of insteadOf(measure, index)) {
    const outcome = outcomeOf(ground, neighbour.edits, best ? costOn(ground, best.outcome.measure) : undefined);
    if (!outcome || timesIn(outcome.measure, code, id) >= timesIn(measure, code, id)) continue;
    if (!best || costOn(ground, outcome.measure) < costOn(ground, best.outcome.measure)) best = { neighbour, outcome };
  }
  return best;
}

/** How many findings of a kind a block is in. */
function timesIn({ raised, timed }: ClassMeasure, code: FindingCode, id: string): number {
  const named = ({ rule, found }: ClassMeasure['raised'][number]) =>
    rule.code === code && found.blocks.some((at) => timed.plan.blocks[at]?.id === id);
  return raised.filter(named).length;
}

/** A way to try; or all that brings a class to its length, as one. */
interface Advice extends Neighbour {
  readonly fitted?: boolean;
}

function advice(ground: Ground, finding: Finding): readonly Advice[] {
  const own = remediesFor(ground.measure, finding).map((remedy) => ({ ...remedy, stays: true }));
  if (!isOfLength(finding)) return own;
  const edits = fitEdits(ground);
  const fit = { label: `Fit it to ${clock(targetOf(ground))}`, edits, stays: true, fitted: true };
  return edits.length > 0 ? [fit, ...own] : own;
}

const targetOf = ({ measure }: Ground): number => measure.timed.plan.targetMinutes * 60;

/** What lies near a finding, block by block. */
function nearby({ measure }: Ground, { code, blocks }: Finding): Array<() => Neighbour[]> {
  const { part, wantsMore } = ruleOf(code);
  const own = spread(blocks, BLOCKS).map((index) => () => neighboursAt(measure, index, SCORE_PARTS[part].placed));
  if (!wantsMore) return own;
  const { subject } = measure;
  const mild = (entry: RungEntry) => subject.catalog.heat(entry) <= subject.limits.homeHeat;
  return [...own, () => insertions(measure, mild)];
}

/** A few of many, from the first to the last. */
function spread(indexes: readonly number[], most: number): number[] {
  if (indexes.length <= most) return [...indexes];
  const step = (indexes.length - 1) / (most - 1);
  return Array.from({ length: most }, (_, i) => indexes[Math.round(i * step)] as number);
}
