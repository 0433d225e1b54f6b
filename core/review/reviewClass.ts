import { type ClassPlan, type TimedClass, timeClass } from '../plan';
import type { Catalog } from '../repertoire';
import { type Finding, type Found, type Remedy, SEVERITIES, type Severity } from './finding';
import { type Measures, measuresOf } from './measures';
import type { Rule } from './rule';
import { RULES } from './rules';
import { costOf, easeOf, emptyParts, excessOf, type Score } from './score';
import { type ReviewContext, Subject } from './subject';

/** A rule and one thing it found. */
interface Raised {
  readonly rule: Rule;
  readonly found: Found;
  readonly severity: Severity;
}

/** A class measured and scored; nobody has asked for sentences yet. */
export interface ClassMeasure {
  readonly subject: Subject;
  readonly timed: TimedClass;
  readonly score: Score;
  readonly raised: readonly Raised[];
}

/** A finding with what it was made from, to mend it by. */
export interface ToldFinding extends Finding {
  /** Ways that might mend it, worked out when asked for (see `remediesFor`). */
  readonly mend: () => readonly Remedy[];
  /** Whether anything is known that might. */
  readonly mends: boolean;
}

export interface ClassReview extends ClassMeasure {
  readonly measures: Measures;
  /** Gravest first. */
  readonly findings: readonly ToldFinding[];
}

const speaks = ({ purposes, orders }: Rule, { purpose, order }: Subject): boolean =>
  (purposes === undefined || purposes.includes(purpose)) && (orders === undefined || orders.includes(order));

/**
 * The class measured, held against every rule, and scored: a pure function of the plan, and what a sequencer
 * optimises. Sentences and remedies are made by who asks for them.
 * @throws PlanError when the class does not fit the repertoire
 */
export function measureClass(catalog: Catalog, plan: ClassPlan, context: ReviewContext = {}): ClassMeasure {
  return measureTimed(catalog, timeClass(catalog, plan, context), context);
}

/** The same of a class that is timed already. */
export function measureTimed(catalog: Catalog, timed: TimedClass, context: ReviewContext = {}): ClassMeasure {
  const subject = new Subject(catalog, timed, context);
  const raised: Raised[] = [];
  const parts = emptyParts();
  const weights = catalog.method.score;
  for (const rule of RULES) {
    if (!speaks(rule, subject)) continue;
    for (const found of rule.find(subject)) {
      const severity = found.severity ?? rule.severity;
      const excess = excessOf(found.value, found.limit, found.unit ?? rule.unit, rule.presence === true);
      parts[rule.part] += costOf(weights, severity, excess);
      raised.push({ rule, found, severity });
    }
  }
  parts.ease = easeOf(subject, measuresOf(subject));
  let total = 0;
  for (const part of Object.values(parts)) total += part;
  return { subject, timed, score: { total, parts }, raised };
}

/** The findings of a measured class, each with its sentence; gravest first. */
export function findingsOf({ raised, timed }: ClassMeasure): ToldFinding[] {
  const { blocks } = timed.plan;
  return [...raised]
    .sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity))
    .map(({ rule, found, severity }) => ({
      code: rule.code,
      severity,
      blocks: found.blocks,
      ids: found.blocks.flatMap((index) => blocks[index]?.id ?? []),
      value: found.value,
      limit: found.limit,
      unit: found.unit ?? rule.unit,
      message: found.sentence(),
      mend: found.mend ?? NO_WAY,
      mends: found.mend !== undefined,
    }));
}
const NO_WAY = (): readonly Remedy[] => [];

/**
 * The one review: the class measured, scored and explained.
 * @throws PlanError when the class does not fit the repertoire
 */
export function reviewClass(catalog: Catalog, plan: ClassPlan, context: ReviewContext = {}): ClassReview {
  const measured = measureClass(catalog, plan, context);
  return { ...measured, measures: measuresOf(measured.subject), findings: findingsOf(measured) };
}
