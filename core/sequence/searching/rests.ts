import { type Block, freeBlockId } from '../../plan';
import { type ClassMeasure, lettingGo, measureClass, restName } from '../../review';
import type { Search } from '../briefs/aims';

/** So many are done in turn: the same rest again and again is none. */
const IN_TURN = 3;

/** A class in which rests after blocks are small rests with a name, where its position has something that lets go. */
export function withRests(search: Search, measure: ClassMeasure): ClassMeasure {
  const { catalog, context } = search;
  let plan = measure.timed.plan;
  let rests = 0;
  // What is locked stands at its place: nothing comes before it.
  const locked = Math.max(-1, ...search.locks.map(({ at }) => at));
  for (const { block, position, runsOn, index } of measure.timed.blocks) {
    const { restAfterSeconds: seconds } = block;
    if (!seconds || block.locked || runsOn || index < locked) continue;
    const open = lettingGo(measure.subject, position).slice(0, IN_TURN);
    const release = open[rests % Math.max(1, open.length)];
    if (!release) continue;
    rests += 1;
    const at = plan.blocks.findIndex(({ id }) => id === block.id);
    const { restAfterSeconds: _rest, ...on } = block;
    const pause: Block = {
      id: freeBlockId(plan),
      interlude: 'recover',
      name: restName(release),
      seconds: Math.max(SHORTEST, seconds),
      rung: release.key,
    };
    plan = { ...plan, blocks: plan.blocks.toSpliced(at, 1, on, pause) };
  }
  if (plan === measure.timed.plan) return measure;
  const after = measureClass(catalog, plan, context);
  return after.score.total <= measure.score.total + WORTH ? after : measure;
}

/** Seconds of the shortest small rest, and by how much of a score a named one may be worse. */
const [SHORTEST, WORTH] = [15, 0.5];
