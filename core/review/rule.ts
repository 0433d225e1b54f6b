import type { Order } from '../method';
import type { Purpose } from '../plan';
import type { Unit } from '../vocabulary/measure';
import type { FindingCode, Found, OwnFound, Remedy, ScorePart, Severity } from './finding';
import type { Known } from './subject/known';
import type { Subject } from './subject/subject';

/** One question the review asks of a class: all there is to know of it in one place. */
export type Rule = WholeRule | BlockRule;

/** What others ask of a rule than what it finds. */
export interface RuleTraits {
  /** What lets it speak here and not elsewhere: who is in the room, or what was learnt before; the class's own when unsaid. */
  readonly arisesFrom?: 'audience' | 'past';
  /** It speaks of the shape of a whole class: of one that is only begun it says nothing worth hearing. */
  readonly ofWhole?: true;
  /** It is about the length of the class. */
  readonly ofLength?: true;
  /** Something added can mend it. */
  readonly wantsMore?: true;
}

interface AnyRule extends RuleTraits {
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
  /** What it costs, where its cost is counted apart from what is found (craft). */
  readonly costs?: (subject: Subject) => number;
  /** It is there or it is not: there is no more or less of it. */
  readonly presence?: boolean;
  /** What it is held against, in words for the docs. */
  readonly limit: string;
  /** What it says, in words for the docs. */
  readonly says: string;
}

/** A rule that asks of the class as a whole, or of blocks beside one another. */
export interface WholeRule extends AnyRule {
  /** It asks only which rungs stand in which order, in which mode, and what lies between: while they stay, so does what it found. */
  readonly ofOrder?: true;
  readonly find: (subject: Subject) => readonly Found[];
  /** What it says of something it found in this class. */
  readonly sentence: (found: Found, subject: Subject) => string;
  /** Ways that might mend it; `fixesFor` keeps those that do. */
  readonly mend?: (found: Found, subject: Subject) => readonly Remedy[];
}

/** A rule that asks of each block alone: what it finds is kept with the block. */
export interface BlockRule extends AnyRule {
  readonly findIn: (known: Known) => readonly OwnFound[];
  readonly sentence: (found: OwnFound, known: Known) => string;
  /** @param index of the block in the class */
  readonly mend?: (found: OwnFound, known: Known, index: number) => readonly Remedy[];
}

/** A rule and one thing it found. */
export interface Raised {
  /** The rule's place in the list. */
  readonly place: number;
  readonly rule: Rule;
  readonly found: Found;
  readonly severity: Severity;
  /** What it costs the score. */
  readonly cost: number;
}

/** A class as a whole, and a few minutes on one thing. */
export const DONE: readonly Purpose[] = ['class', 'drill'];
export const WHOLE_CLASS: readonly Purpose[] = ['class'];

export const NOTHING: readonly never[] = [];
