import { applyEdits, isInterlude, type PlanEdit, type TimedBlock } from '../plan';
import type { Catalog } from '../repertoire';
import { type ClassMeasure, measureClass, type ReviewContext } from '../review';

/**
 * A plan for when a class runs late: edits that mark what may go, first what costs least, until it runs late no oftener
 * than wanted with all of it left out. Never what is hottest, first or last, locked, of the idea the class grows by, or
 * required by what comes later; a run goes whole. Source: contract, “Live”.
 * @param lateChance 0 to 1; the house's when unsaid
 */
export function givesFor(
  catalog: Catalog,
  measure: ClassMeasure,
  context: ReviewContext,
  lateChance: number = catalog.method.craft.lateChance,
): PlanEdit[] {
  const { plan } = measure.timed;
  const given: string[][] = [];
  let edits: PlanEdit[] = [];
  let now = measure;
  for (let tries = 0; tries < MOST_GIVEN && chanceIn(now) > lateChance; tries++) {
    let best: { readonly ids: string[]; readonly cost: number } | null = null;
    for (const ids of unitsIn(now)) {
      if (given.some((each) => each.includes(ids[0] as string))) continue;
      const cost = costWithout(catalog, now, context, [...given.flat(), ...ids]);
      if (cost !== null && (!best || cost < best.cost)) best = { ids, cost };
    }
    if (!best) break;
    given.push(best.ids);
    edits = given.flatMap((ids, i) => ids.map((id) => marking(measure, id, i + 1)));
    now = measureClass(catalog, applyEdits(catalog, plan, edits), context);
  }
  return edits;
}

/** More than this left out is another class. */
const MOST_GIVEN = 6;

const chanceIn = ({ timed }: ClassMeasure): number => timed.range.overIfGiven ?? timed.range.overChance;

function marking({ timed }: ClassMeasure, id: string, give: number): PlanEdit {
  const block = timed.plan.blocks.find((each) => each.id === id);
  return block && isInterlude(block)
    ? { kind: 'interlude', id, change: { give } }
    : { kind: 'set', id, change: { give } };
}

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
function costWithout(
  catalog: Catalog,
  { timed }: ClassMeasure,
  context: ReviewContext,
  ids: readonly string[],
): number | null {
  const left = { ...timed.plan, blocks: timed.plan.blocks.filter(({ id }) => !ids.includes(id)) };
  const { score, raised } = measureClass(catalog, left, context);
  if (raised.some(({ severity }) => severity === 'stop')) return null;
  return score.total - score.parts.time;
}
