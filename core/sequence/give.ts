import type { Block, ClassPlan, TimedBlock } from '../plan';
import { type ClassMeasure, measureClass } from '../review';
import type { Search } from './aims';

/**
 * A class with a plan for when it runs late: blocks that may go, first the one whose loss costs least, until it runs
 * late no oftener than wanted with all of them left out. Never what is hottest, first or last, locked, of the idea the
 * class grows by, or required by what comes later; a run goes whole.
 */
export function withGives(search: Search, measure: ClassMeasure, lateChance: number): ClassMeasure {
  const { catalog, context } = search;
  let now = measure;
  const given: string[][] = [];
  for (let tries = 0; tries < MOST_GIVEN && chanceIn(now) > lateChance; tries++) {
    let best: { readonly ids: string[]; readonly cost: number } | null = null;
    for (const ids of unitsIn(now)) {
      if (given.some((each) => each.includes(ids[0] as string))) continue;
      const cost = costWithout(search, now.timed.plan, [...given.flat(), ...ids]);
      if (cost !== null && (!best || cost < best.cost)) best = { ids, cost };
    }
    if (!best) break;
    given.push(best.ids);
    now = measureClass(catalog, marked(measure.timed.plan, given), context);
  }
  return now;
}

/** More than this left out is another class. */
const MOST_GIVEN = 6;

const chanceIn = ({ timed }: ClassMeasure): number => timed.range.overIfGiven ?? timed.range.overChance;

/** What may go, a run as one. */
function unitsIn({ timed, subject }: ClassMeasure): string[][] {
  const { blocks, plan } = timed;
  const keep = new Set([blocks[0], blocks.at(-1), subject.arc?.peak, ...(subject.thread?.blocks ?? [])]);
  const units = new Map<string, TimedBlock[]>();
  for (const block of blocks) {
    const key = block.block.run === undefined ? `block ${block.block.id}` : `run ${block.block.run}`;
    units.set(key, [...(units.get(key) ?? []), block]);
  }
  const free = (block: TimedBlock) =>
    !keep.has(block) && !block.block.locked && block.block.give === undefined && !isRequired(blocks, block);
  // A rest is for what comes before it, and stays with it.
  return [...units.values()]
    .filter((unit) => unit.every(free) && unit.length < plan.blocks.length / 4)
    .map((unit) => unit.map(({ block }) => block.id));
}

const isRequired = (blocks: readonly TimedBlock[], { entry, index }: TimedBlock): boolean =>
  blocks.some(
    (later) =>
      later.index > index &&
      (later.entry.rung.requires ?? []).some(
        ({ exercise, rung }) => exercise === entry.exercise.id && rung === entry.rung.id,
      ),
  );

/** What a class would cost without some of its blocks, its length aside; `null` where that would be unsafe. */
function costWithout({ catalog, context }: Search, plan: ClassPlan, ids: readonly string[]): number | null {
  const left = { ...plan, blocks: plan.blocks.filter(({ id }) => !ids.includes(id)) };
  const { score, raised } = measureClass(catalog, left, context);
  if (raised.some(({ severity }) => severity === 'stop')) return null;
  return score.total - score.parts.time;
}

function marked(plan: ClassPlan, given: readonly string[][]): ClassPlan {
  const numbers = new Map(given.flatMap((ids, i) => ids.map((id) => [id, i + 1] as const)));
  const blocks = plan.blocks.map((block): Block => {
    const give = numbers.get(block.id);
    return give === undefined ? block : { ...block, give };
  });
  return { ...plan, blocks };
}
