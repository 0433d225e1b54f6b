import { keptIn, keptText, type LeftOver, mend, type Standing } from '../../mend';
import type { ClassPlan, PlanEdit } from '../../plan';
import { type FindingCode, measureClass } from '../../review';
import type { Bundle } from '../file/bundle';
import { tidy } from '../file/tidy';
import { studioOf } from '../studioOf';

/** The headless mending (contract: docs/mending.md). */
export interface MendDocument {
  /** The class as it is after the last step. */
  readonly class: ClassPlan;
  readonly steps: ReadonlyArray<{
    readonly code: FindingCode;
    readonly label: string;
    readonly edits: readonly PlanEdit[];
    readonly before: Standing;
    readonly after: Standing;
  }>;
  /** What of the class that was given is still in it. */
  readonly kept: string;
  readonly left: {
    readonly stop: number;
    readonly fix: number;
    readonly look: number;
    readonly score: number;
    readonly why: readonly LeftOver[];
  };
}

/**
 * A class of a bundle, mended until nothing helps.
 * @param today `YYYY-MM-DD`, for what is judged by its age
 * @param looks what is only worth a look is mended too
 * @returns `null` when the bundle has no such class
 * @throws PlanError when the class does not fit the repertoire; `parseBundle` has refused such a file already
 */
export function mendBundle(bundle: Bundle, id: string, today?: string, looks = false): MendDocument | null {
  const { catalog, classOf, contextOf } = studioOf(bundle, { today });
  const plan = classOf(id);
  if (!plan) return null;
  const context = contextOf(plan);
  const { plan: mended, steps, left, why } = mend(catalog, plan, context, { looks });
  const { stop, fix, look, score } = left;
  return tidy({
    class: mended,
    steps: steps.map(({ code, label, edits, before, after }) => ({ code, label, edits, before, after })),
    kept: keptText(keptIn(measureClass(catalog, plan, context), mended)),
    left: { stop, fix, look, score, why },
  });
}
