import {
  applyEdits,
  type Block,
  type ClassPlan,
  freeBlockId,
  isInterlude,
  type PlanEdit,
  type RungBlock,
} from '../plan';
import { type Catalog, type RungEntry, rungKey } from '../repertoire';
import { broughtBefore, doingsOf, type Learnt, needsOf, type SeriesStudio } from './learning';
import type { SeriesEdit } from './seriesRule';
import type { Series } from './seriesSchema';

const isRungBlock = (block: Block): block is RungBlock => !isInterlude(block);

/** Before which block something in a position is least of a change: the first in it, else before the end of the class. */
function placeFor(catalog: Catalog, { blocks }: ClassPlan, position: string | undefined): string | null {
  const inPosition = (block: Block) => isRungBlock(block) && catalog.rung(block)?.position === position;
  return blocks.find(inPosition)?.id ?? blocks.at(-1)?.id ?? null;
}

/**
 * A rung moved from one episode to another, as edits of both classes: all of its blocks go, and the first of them stands
 * in the other class, beside what is in its position already. Nothing where that class does it already.
 */
export function rungMoved(
  { catalog, classOf }: SeriesStudio,
  series: Series,
  key: string,
  from: number,
  to: number,
): readonly SeriesEdit[] {
  const [here, there] = [from, to].map((episode) => {
    const id = series.episodes[episode]?.class;
    return id === undefined ? undefined : classOf(id);
  });
  if (!here || !there || here.id === there.id) return [];
  const moved = here.blocks.filter((block): block is RungBlock => isRungBlock(block) && rungKey(block) === key);
  const [first] = moved;
  if (!first || there.blocks.some((block) => isRungBlock(block) && rungKey(block) === key)) return [];
  const { run: _run, carry: _carry, locked: _locked, give: _give, ...alone } = first;
  const position = catalog.rung(first)?.position;
  const block = { ...alone, id: freeBlockId(there) };
  return [
    { kind: 'class', id: here.id, edits: moved.map(({ id }): PlanEdit => ({ kind: 'remove', id })) },
    { kind: 'class', id: there.id, edits: [{ kind: 'insert', before: placeFor(catalog, there, position), block }] },
  ];
}

/** A rung put into the class of an episode, beside what is in its position already, as edits: taught, or run as known. */
export function rungTaken(
  { catalog, classOf }: SeriesStudio,
  series: Series,
  { exercise, rung, position }: RungEntry,
  episode: number,
  mode: RungBlock['mode'],
): readonly SeriesEdit[] {
  const plan = classOf(series.episodes[episode]?.class ?? '');
  if (!plan) return [];
  const block = { id: freeBlockId(plan), exercise: exercise.id, rung: rung.id, mode };
  const before = placeFor(catalog, plan, position);
  return [{ kind: 'class', id: plan.id, edits: [{ kind: 'insert', before, block }] }];
}

/**
 * The class of the last episode a step higher: each rung that is earned by its end gives way to the next of its ladder
 * that is open then, which is taught; what stays is run as known. `null` where the series has no class yet.
 * @param id of the new class
 */
export function stepHigher(studio: SeriesStudio, series: Series, id: string, name: string): ClassPlan | null {
  const { catalog, classOf } = studio;
  const learnt = broughtBefore(studio, series);
  let last: ClassPlan | undefined;
  for (const episode of series.episodes) {
    const plan = classOf(episode.class);
    if (!plan) continue;
    learnt.add(doingsOf(plan));
    last = plan;
  }
  if (!last) return null;
  const edits = last.blocks.filter(isRungBlock).flatMap((block): PlanEdit[] => {
    const { id: at, carry } = block;
    const next = learnt.earned(rungKey(block)) ? nextOpen(catalog, learnt, rungKey(block)) : undefined;
    if (!next) {
      const mode = learnt.count(rungKey(block)).taught > 0 ? 'flow' : 'teach';
      return [{ kind: 'set', id: at, change: { mode } }];
    }
    return [
      { kind: 'swap', id: at, to: { exercise: next.exercise.id, rung: next.rung.id } },
      { kind: 'set', id: at, change: { mode: 'teach', carry } },
    ];
  });
  return { ...applyEdits(catalog, last, edits), id, name };
}

function nextOpen(catalog: Catalog, learnt: Learnt, key: string) {
  const entry = catalog.rungByKey(key);
  if (!entry) return undefined;
  return catalog
    .ladder(entry.exercise.id)
    .slice(entry.step + 1)
    .find(
      (each) => each.rung.branchOf === undefined && needsOf(catalog, each).every((need) => learnt.earned(need.key)),
    );
}
