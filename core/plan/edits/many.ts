import { type Block, type ClassPlan, isInterlude } from '../class';
import { freeBlockId, type PlanEdit } from './edit';

/** The blocks that are chosen, in the order of the class. */
const chosenIn = ({ blocks }: ClassPlan, ids: ReadonlySet<string>): Block[] => blocks.filter(({ id }) => ids.has(id));

/**
 * Chosen blocks moved together, one place up or down, in their order; they stand side by side afterwards. Nothing where
 * they stand at that end already.
 */
export function moveTogether(plan: ClassPlan, ids: ReadonlySet<string>, by: 'up' | 'down'): PlanEdit[] {
  const { blocks } = plan;
  const chosen = chosenIn(plan, ids);
  const places = chosen.map((block) => blocks.indexOf(block));
  const [first, last] = [places[0], places.at(-1)];
  if (first === undefined || last === undefined) return [];
  const together = last - first === chosen.length - 1;
  if (by === 'up' && together && first === 0) return [];
  if (by === 'down' && together && last === blocks.length - 1) return [];
  const others = blocks.filter(({ id }) => !ids.has(id));
  // How many of the others stand before them afterwards.
  const before = by === 'up' ? Math.max(0, first - 1) : Math.min(others.length, last - chosen.length + 2);
  const anchor = others[before]?.id ?? null;
  return chosen.map(({ id }) => ({ kind: 'move', id, before: anchor }));
}

/** Chosen blocks once more, after the last of them, with ids and runs of their own. */
export function duplicateTogether(plan: ClassPlan, ids: ReadonlySet<string>): PlanEdit[] {
  const chosen = chosenIn(plan, ids);
  const last = chosen.at(-1);
  if (!last) return [];
  const after = plan.blocks[plan.blocks.indexOf(last) + 1]?.id ?? null;
  const runs = new Set(plan.blocks.flatMap((block) => (isInterlude(block) ? [] : (block.run ?? []))));
  const lines = new Set(plan.blocks.flatMap((block) => (block.lines ?? []).map(({ id }) => id)));
  const renamed = new Map<string, string>();
  let blocks = plan.blocks;
  return chosen.map((block): PlanEdit => {
    const id = freeBlockId({ blocks });
    const own = block.lines?.map((line) => ({ ...line, id: freeName(line.id, lines) }));
    const copy = { ...block, id, ...(own ? { lines: own } : {}) };
    if (!isInterlude(copy) && copy.run !== undefined) {
      const run = renamed.get(copy.run) ?? freeName(copy.run, runs);
      renamed.set(copy.run, run);
      copy.run = run;
    }
    blocks = [...blocks, copy];
    return { kind: 'insert', before: after, block: copy };
  });
}

/** A name that is not taken, and is from now on. @example freeName('run-a', taken) // 'run-a-2' */
function freeName(name: string, taken: Set<string>): string {
  const stem = name.replace(/-\d+$/, '').slice(0, 18);
  let number = 2;
  while (taken.has(`${stem}-${number}`)) number += 1;
  taken.add(`${stem}-${number}`);
  return `${stem}-${number}`;
}

/** What may be said of blocks of either kind. */
type Said = Pick<Block, 'locked' | 'notes'>;

/** The same said of every chosen block: locked or free, a note. */
export const sayTogether = (
  plan: ClassPlan,
  ids: ReadonlySet<string>,
  change: { readonly [K in keyof Said]?: Said[K] | null },
): PlanEdit[] =>
  chosenIn(plan, ids).map(
    (block): PlanEdit => ({ kind: isInterlude(block) ? 'interlude' : 'set', id: block.id, change }),
  );

export const removeTogether = (plan: ClassPlan, ids: ReadonlySet<string>): PlanEdit[] =>
  chosenIn(plan, ids).map(({ id }) => ({ kind: 'remove', id }));
