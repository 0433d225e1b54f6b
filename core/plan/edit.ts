import type { Catalog } from '../repertoire/catalog';
import type { DoseChange, RungRef } from '../repertoire/exercise';
import type { Block, ClassPlan } from './class';

/**
 * Every way a class is changed, by hand or by a finding's remedy. One vocabulary, so that a remedy is an edit a
 * director could have made, undo is one thing, and no edit can leave a broken run behind.
 */
export type PlanEdit =
  | { readonly kind: 'insert'; readonly at: number; readonly block: Block }
  | { readonly kind: 'remove'; readonly block: number }
  | { readonly kind: 'move'; readonly from: number; readonly to: number }
  | { readonly kind: 'dose'; readonly block: number; readonly dose: DoseChange }
  | { readonly kind: 'set'; readonly block: number; readonly change: Partial<Omit<Block, 'exercise' | 'dose'>> }
  | { readonly kind: 'swap'; readonly block: number; readonly to: RungRef }
  | { readonly kind: 'class'; readonly change: Partial<Omit<ClassPlan, 'id' | 'blocks'>> };

/** A block index that is not there, or the like: a fault of the caller, not of the plan. */
const at = (plan: ClassPlan, index: number): Block => {
  const block = plan.blocks[index];
  if (!block) throw new RangeError(`block ${index}: expected 0 to ${plan.blocks.length - 1}`);
  return block;
};

const without = <T extends object>(value: T): T =>
  Object.fromEntries(Object.entries(value).filter(([, each]) => each !== undefined)) as T;

/**
 * The class after one edit; the given one is left as it was.
 * @throws RangeError for a block that is not there
 */
export function applyEdit(catalog: Catalog, plan: ClassPlan, edit: PlanEdit): ClassPlan {
  switch (edit.kind) {
    case 'class':
      return without({ ...plan, ...edit.change });
    case 'insert':
      return mendRuns(catalog, plan, plan.blocks.toSpliced(edit.at, 0, edit.block));
    case 'remove':
      at(plan, edit.block);
      return mendRuns(catalog, plan, plan.blocks.toSpliced(edit.block, 1));
    case 'move': {
      const moved = at(plan, edit.from);
      return mendRuns(catalog, plan, plan.blocks.toSpliced(edit.from, 1).toSpliced(edit.to, 0, moved));
    }
    case 'dose': {
      const block = at(plan, edit.block);
      const dose = without({ ...block.dose, ...edit.dose });
      const { dose: _old, ...rest } = block;
      return replace(catalog, plan, edit.block, Object.keys(dose).length > 0 ? { ...rest, dose } : rest);
    }
    case 'swap': {
      // Another rung in its place: what was said of the old one (dose, options, side) does not carry over to another exercise.
      const { dose: _dose, options: _options, side, ...kept } = at(plan, edit.block);
      const stays = side !== undefined && catalog.exercise(edit.to.exercise)?.sides !== 'both' ? { side } : {};
      return replace(catalog, plan, edit.block, { ...kept, ...stays, ...edit.to });
    }
    case 'set': {
      const block = without({ ...at(plan, edit.block), ...edit.change });
      if (block.options) {
        const options = block.options.filter((option) => option !== block.rung);
        return replace(
          catalog,
          plan,
          edit.block,
          without({ ...block, options: options.length > 0 ? options : undefined }),
        );
      }
      return replace(catalog, plan, edit.block, block);
    }
  }
}

const replace = (catalog: Catalog, plan: ClassPlan, index: number, block: Block): ClassPlan =>
  mendRuns(catalog, plan, plan.blocks.with(index, block));

/** Takes a block out of its run where the run no longer holds: moved away, limited to a side, or in another position. */
function mendRuns(catalog: Catalog, plan: ClassPlan, blocks: readonly Block[]): ClassPlan {
  const mended: Block[] = [];
  const closed = new Set<string>();
  for (const block of blocks) {
    const before = mended.at(-1);
    if (before?.run !== undefined && before.run !== block.run) closed.add(before.run);
    const exercise = catalog.exercise(block.exercise);
    const holds =
      block.run === undefined ||
      (!closed.has(block.run) &&
        exercise?.sides === 'each' &&
        block.side === undefined &&
        (before?.run !== block.run || catalog.exercise(before.exercise)?.position === exercise.position));
    const { run: _run, ...alone } = block;
    mended.push(holds ? block : alone);
  }
  return { ...plan, blocks: mended };
}
