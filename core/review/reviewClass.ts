import { type Audience, type ClassPlan, type TimedClass, timeClass } from '../plan';
import type { Catalog } from '../repertoire';
import { cautionsRule } from './cautionRules';
import { directionSharesRule, flexionStretchRule } from './directionRules';
import { exposureRule } from './exposureRules';
import { type Finding, type ReviewSubject, type Rule, SEVERITIES } from './finding';
import { floorTripsRule, heatJumpRule, returnsRule, sidesRule } from './flowRules';
import { lowerOptionRule, requirementsRule } from './ladderRules';
import { preparationRule, propsRule } from './readinessRules';
import { longBlockRule, openingRule, timeRule } from './timeRules';

/** Every rule of the review; their order is the order of findings of one severity. */
const RULES: readonly Rule[] = [
  cautionsRule,
  requirementsRule,
  lowerOptionRule,
  timeRule,
  openingRule,
  longBlockRule,
  sidesRule,
  floorTripsRule,
  returnsRule,
  flexionStretchRule,
  directionSharesRule,
  heatJumpRule,
  exposureRule,
  preparationRule,
  propsRule,
];

export interface ReviewContext {
  readonly audience?: Audience | undefined;
  /** Keys of rungs met before this class (see `earlierInSeries`). */
  readonly earlier?: ReadonlySet<string>;
  /** The day it is, `YYYY-MM-DD`: the core has no calendar of its own. */
  readonly today?: string;
}

export interface ClassReview {
  readonly timed: TimedClass;
  /** Gravest first. */
  readonly findings: readonly Finding[];
}

/**
 * The one review: the class measured and held against every rule. A pure function of the plan.
 * @throws PlanError when the class does not fit the repertoire
 */
export function reviewClass(catalog: Catalog, plan: ClassPlan, context: ReviewContext = {}): ClassReview {
  const timed = timeClass(catalog, plan, context.audience);
  const subject: ReviewSubject = {
    catalog,
    timed,
    audience: context.audience,
    earlier: context.earlier ?? new Set(),
    today: context.today,
  };
  const found = RULES.flatMap((rule) => rule(subject));
  return {
    timed,
    findings: SEVERITIES.flatMap((severity) => found.filter((finding) => finding.severity === severity)),
  };
}
