import type { Order } from '../method';
import type { Purpose } from '../plan';
import type { Unit } from '../vocabulary/measure';
import type { FindingCode, Found, ScorePart, Severity } from './finding';
import type { Subject } from './subject';

/** One question the review asks of a class: all there is to know of it in one place. */
export interface Rule {
  readonly code: FindingCode;
  /** The part of the score it counts to. */
  readonly part: ScorePart;
  readonly severity: Severity;
  /** When another severity than that is found, in words for the docs. */
  readonly except?: string;
  /** Purposes for which it speaks; all when unsaid. A rule that does not apply is silent, not satisfied. */
  readonly purposes?: readonly Purpose[];
  /** Orders under which it speaks; all when unsaid. */
  readonly orders?: readonly Order[];
  readonly unit: Unit;
  /** It is there or it is not: there is no more or less of it. */
  readonly presence?: boolean;
  /** What it is held against, in words for the docs. */
  readonly limit: string;
  /** What it says, in words for the docs. */
  readonly says: string;
  readonly find: (subject: Subject) => readonly Found[];
}

/** A class as a whole, and a few minutes on one thing. */
export const DONE: readonly Purpose[] = ['class', 'drill'];
export const WHOLE_CLASS: readonly Purpose[] = ['class'];

export const NOTHING: readonly Found[] = [];
