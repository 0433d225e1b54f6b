import type { ClassPlan } from '../../plan';
import type { Score } from '../../review';
import { type Brief, propose } from '../../sequence';
import type { Bundle } from '../file/bundle';
import { tidy } from '../file/tidy';
import { studioOf } from '../studioOf';

/** The headless sequencer's answer (contract: docs/sequencing.md). */
export interface ProposeDocument {
  readonly proposals: ReadonlyArray<{
    readonly class: ClassPlan;
    readonly score: Score;
    readonly seconds: number;
    readonly findings: { readonly stop: number; readonly fix: number; readonly look: number };
    readonly why: readonly string[];
  }>;
  readonly clashes: readonly string[];
  readonly evaluated: number;
}

/**
 * Classes proposed for a brief, from the repertoire of a bundle.
 * @param today `YYYY-MM-DD`, for what is judged by its age
 */
export function proposeBundle(bundle: Bundle, brief: Brief, today?: string): ProposeDocument {
  const { proposals, clashes, evaluated } = propose(studioOf(bundle, { today }), brief, today);
  return tidy({
    proposals: proposals.map(({ plan, measure, standing: { stop, fix, look, seconds }, why }) => ({
      class: plan,
      score: measure.score,
      seconds,
      findings: { stop, fix, look },
      why,
    })),
    clashes,
    evaluated,
  });
}
