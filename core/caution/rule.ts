import type { BasePosition } from '../body';
import type { Already } from '../repertoire';
import type { Feature } from '../vocabulary/bodies/features';
import type { Condition, Grade } from '../vocabulary/words/condition';

/** From mild to grave. `clear-first`: a professional decides before it is done at all. */
export const VERDICTS = ['fine', 'adapt', 'swap', 'clear-first'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** One line of the table: a condition, a computed feature and the limit above which it speaks. */
export interface CautionRule {
  readonly condition: Condition;
  readonly feature: Feature;
  /** In the feature's unit; the rule fires above it. */
  readonly over: number;
  readonly verdict: Exclude<Verdict, 'fine'>;
  /** How to adapt, or what to take instead. */
  readonly how: string;
  readonly why: string;
  /** Where the advice is true; everywhere when unsaid. */
  readonly positions?: readonly BasePosition[] | undefined;
  /** Whether a leg bears throughout where the advice is true; either when unsaid. */
  readonly footDown?: boolean | undefined;
  /** Of which grade the people must be; of any when unsaid. */
  readonly grade?: Grade | undefined;
  /** What to say instead to those who do already what the advice asks. */
  readonly already?: ReadonlyArray<readonly [Already, string]> | undefined;
  /** A feature whose graver rule of the same condition says it all. */
  readonly unless?: Feature | undefined;
  /** Why the house has changed the rule, where it has. */
  readonly reason?: string | undefined;
}

/** The graver of two verdicts. */
export const graver = (a: Verdict, b: Verdict): Verdict => (VERDICTS.indexOf(a) >= VERDICTS.indexOf(b) ? a : b);
