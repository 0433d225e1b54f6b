import type { Catalog, RungRef } from '../../repertoire';
import { type ClassPlan, isInterlude } from '../class';
import { applyEdits, type PlanEdit } from './edit';

/** A class before and after one rung was put in the place of another. */
export interface ReplacedIn {
  readonly before: ClassPlan;
  readonly after: ClassPlan;
  /** Blocks that took the other rung, and blocks that are locked and keep theirs. */
  readonly replaced: number;
  readonly locked: number;
}

/**
 * One rung in the place of another wherever it is the main version, each block as by a swap: what was said of the old
 * rung does not carry over. Classes without it are left out; those in which all of it is locked are told of.
 */
export function replaceRung(
  catalog: Catalog,
  plans: readonly ClassPlan[],
  from: RungRef,
  to: RungRef,
): readonly ReplacedIn[] {
  return plans.flatMap((before): ReplacedIn[] => {
    const own = before.blocks.filter(
      (block) => !isInterlude(block) && block.exercise === from.exercise && block.rung === from.rung,
    );
    if (own.length === 0) return [];
    const free = own.filter(({ locked }) => !locked);
    const edits = free.map(({ id }): PlanEdit => ({ kind: 'swap', id, to }));
    return [
      {
        before,
        after: applyEdits(catalog, before, edits),
        replaced: free.length,
        locked: own.length - free.length,
      },
    ];
  });
}
