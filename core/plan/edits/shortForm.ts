import { type Block, type ClassPlan, isInterlude } from '../class';

/**
 * The same class in its short form, without the blocks it leaves out; a block that went on from one of them is set up
 * anew. It has its own clock.
 * @returns `null` where the class has no short form
 */
export function shortForm({ short, ...whole }: ClassPlan): ClassPlan | null {
  const out = new Set(short?.leaveOut);
  const blocks = whole.blocks.flatMap((block, i): Block[] => {
    if (out.has(block.id)) return [];
    const before = whole.blocks[i - 1];
    if (isInterlude(block) || !block.carry || (before && !out.has(before.id))) return [block];
    const { carry: _carry, ...anew } = block;
    return [anew];
  });
  return blocks.length === whole.blocks.length ? null : { ...whole, blocks };
}

/** The short form of a class with a block left out of it, or back in it; `undefined` where nothing is left out. */
export function leavingOut({ short }: Pick<ClassPlan, 'short'>, id: string, out: boolean): ClassPlan['short'] {
  const others = short?.leaveOut.filter((each) => each !== id) ?? [];
  const leaveOut = out ? [...others, id] : others;
  return leaveOut.length > 0 ? { leaveOut } : undefined;
}
