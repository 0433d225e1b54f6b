import { type Block, type ClassPlan, isInterlude, type RungBlock, type SpareBlock } from '../class';
import type { PlanEdit } from './edit';

/** A block as it stands in a class, without what a spare one can't have. */
function spareOf(
  { run: _run, give: _give, locked: _locked, carry: _carry, ...block }: RungBlock,
  after: string,
): SpareBlock {
  return { ...block, after };
}

/**
 * Edits that take a block out of a class and keep it for when there is time, after the block before it; none for an
 * interlude, and for the first block, which follows nothing.
 */
export function keepForTime({ blocks, spare = [] }: ClassPlan, id: string): PlanEdit[] {
  const place = blocks.findIndex((block) => block.id === id);
  const [block, before] = [blocks[place], blocks[place - 1]];
  if (!block || !before || isInterlude(block)) return [];
  return [
    // Kept first: what followed it is anchored anew as it goes.
    { kind: 'class', change: { spare: [...spare, spareOf(block, before.id)] } },
    { kind: 'remove', id },
  ];
}

/** Edits that put a spare block into the class, after the block it is kept to follow. */
export function takeFromSpare({ blocks, spare = [] }: ClassPlan, id: string): PlanEdit[] {
  const found = spare.find((each) => each.id === id);
  const place = blocks.findIndex((block) => block.id === found?.after);
  if (!found || place < 0) return [];
  const { after: _after, ...block } = found;
  return [
    { kind: 'class', change: { spare: withoutSpare(spare, id) } },
    { kind: 'insert', before: blocks[place + 1]?.id ?? null, block },
  ];
}

/** A class as it would be with one of its spare blocks in its place, for its length; the same where that is gone. */
export function withSpare(plan: ClassPlan, { after, ...block }: SpareBlock): ClassPlan {
  const place = plan.blocks.findIndex(({ id }) => id === after);
  return place < 0 ? plan : { ...plan, blocks: plan.blocks.toSpliced(place + 1, 0, block) };
}

/** The spare blocks without one; `null` where none is left, as an edit has it. */
export const withoutSpare = (spare: readonly SpareBlock[], id: string): SpareBlock[] | null => {
  const left = spare.filter((each) => each.id !== id);
  return left.length > 0 ? left : null;
};

/** Spare blocks where what they follow is gone follow what stood before that; what followed the first is gone with it. */
export function reanchored(before: readonly Block[], plan: ClassPlan): ClassPlan {
  const { spare, ...rest } = plan;
  if (!spare) return plan;
  const there = new Set(plan.blocks.map(({ id }) => id));
  if (spare.every(({ after }) => there.has(after))) return plan;
  const kept = spare.flatMap((each): SpareBlock[] => {
    if (there.has(each.after)) return [each];
    const place = before.findIndex(({ id }) => id === each.after);
    const anchor = before.slice(0, Math.max(0, place)).findLast(({ id }) => there.has(id));
    return anchor ? [{ ...each, after: anchor.id }] : [];
  });
  return kept.length > 0 ? { ...plan, spare: kept } : rest;
}

/** What may go never parts a run, nor stands on what is locked: where an edit has left it so, it is taken off. */
export function givesKept({ blocks }: Pick<ClassPlan, 'blocks'>): Block[] {
  const whole = new Map<string, boolean>();
  for (const block of blocks) {
    if (isInterlude(block) || block.run === undefined) continue;
    whole.set(block.run, (whole.get(block.run) ?? true) && block.give !== undefined);
  }
  return blocks.map((block) => {
    const parted = !isInterlude(block) && block.run !== undefined && whole.get(block.run) === false;
    if (block.give === undefined || !(block.locked || parted)) return block;
    const { give: _give, ...stays } = block;
    return stays;
  });
}
