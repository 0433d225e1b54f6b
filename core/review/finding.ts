import type { PlanEdit, TimedClass } from '../plan';
import type { Audience } from '../plan/class';
import type { Catalog, RungEntry } from '../repertoire';

/** `stop`: unsafe or impossible; `fix`: should not be taught so; `look`: worth a look. */
export const SEVERITIES = ['stop', 'fix', 'look'] as const;
export type Severity = (typeof SEVERITIES)[number];

export const FINDING_CODES = [
  'TIME_OVER',
  'TIME_UNDER',
  'TIME_AT_RISK',
  'BLOCK_LONG',
  'OPENING_LONG',
  'POSITION_RETURN',
  'FLOOR_TRIPS',
  'DIRECTION_LOW',
  'DIRECTION_HIGH',
  'FLEXION_STRETCH',
  'SIDES_UNEVEN',
  'HEAT_JUMP',
  'REQUIREMENT_UNMET',
  'OPTION_MISSING',
  'PREPARATION_MISSING',
  'PROP_LACKING',
  'CAUTION_CLEAR_FIRST',
  'CAUTION_SWAP',
  'CAUTION_ADAPT',
  'HEAD_LIFTED_LONG',
  'WRISTS_LONG',
  'DOUBLE_LEVER_LONG',
  'KNEELING_LONG',
  'BREATH_HELD',
] as const;
export type FindingCode = (typeof FINDING_CODES)[number];

/** One concrete way to mend a finding: what the director reads, and the edits it makes. */
export interface Remedy {
  readonly label: string;
  readonly edits: readonly PlanEdit[];
}

export interface Finding {
  readonly code: FindingCode;
  readonly severity: Severity;
  /** Indexes of the blocks it concerns, in order; empty when it is about the class as a whole. */
  readonly blocks: readonly number[];
  /** What was measured, and what it is held against, in `unit` (empty for a plain share or count). */
  readonly value: number;
  readonly limit: number;
  readonly unit: string;
  readonly message: string;
  readonly remedies: readonly Remedy[];
}

/** What every rule of the review reads. */
export interface ReviewSubject {
  readonly catalog: Catalog;
  readonly timed: TimedClass;
  readonly audience: Audience | undefined;
  /** Keys of rungs the audience has met before this class, in the series it belongs to. */
  readonly earlier: ReadonlySet<string>;
  /** The day it is, `YYYY-MM-DD`; without it nothing is judged by its age. */
  readonly today: string | undefined;
}

/** One question the review asks of a class. */
export type Rule = (subject: ReviewSubject) => Finding[];

/** How a rung is called in a sentence. */
export const rungTitle = ({ exercise, rung }: RungEntry): string => `${exercise.name}, ${rung.name}`;
