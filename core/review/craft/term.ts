import type { Unit } from '../../vocabulary/measure';
import type { FindingCode, Found, Severity } from '../finding';
import type { RuleTraits, WholeRule } from '../rule';
import type { Subject } from '../subject/subject';

/** How well-made a class is in one respect. */
export interface Weighed {
  /** What is measured, in the term's unit. */
  readonly value: number;
  /** Where the distance leaves 0. */
  readonly limit: number;
  /** How far it lies from what a director would teach, 0 to 1. */
  readonly distance: number;
}

/** What is said of a class that misses a term. */
interface CraftFinding extends RuleTraits {
  readonly code: FindingCode;
  readonly severity: Severity;
  /** When another severity than that is found, in words for the docs. */
  readonly except?: string;
  readonly limit: string;
  readonly says: string;
  /** Asked only where the distance is past a half. */
  readonly find: (subject: Subject, weighed: Weighed) => Omit<Found, 'value' | 'limit' | 'presence'>;
  readonly sentence: WholeRule['sentence'];
  readonly mend?: WholeRule['mend'];
}

/** One respect in which a class is well or ill made. Source of each: docs/review.md, "Craft". */
export interface CraftTerm<Name extends string = string> {
  readonly name: Name;
  /** What is measured, in words for the docs. */
  readonly measures: string;
  readonly unit: Unit;
  /** It holds in a drill too. */
  readonly drills?: true;
  readonly weigh: (subject: Subject) => Weighed;
  /** What it costs when missed altogether; the method's setting of its name when unsaid. */
  readonly weight?: (subject: Subject) => number;
  /** Terms without one cost, and say nothing. */
  readonly finding?: CraftFinding;
}

/** Past this distance a term is told of. */
export const TOLD_FROM = 0.5;

/** How far a value has gone from one bound to another, 0 to 1; either may be the larger. @example between(0.2, 0.35, 0.05) // 0.5 */
export const between = (value: number, from: number, to: number): number =>
  Math.min(1, Math.max(0, (value - from) / (to - from)));

/** What a term comes to in a class that it can't be asked of. */
export const fine = (limit: number): Weighed => ({ value: limit, limit, distance: 0 });
