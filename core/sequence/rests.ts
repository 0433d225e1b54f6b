import { judge } from '../caution';
import { type Block, freeBlockId } from '../plan';
import { type RungEntry, usesOf } from '../repertoire';
import { type ClassMeasure, measureClass } from '../review';
import type { Search } from './aims';

/** Heat up to which something lets go. */
const EASY = 18;

/** What is done in small rests in a position: the coolest of what releases, asks nothing of anybody and needs nothing. */
function releasesIn({ catalog }: Search, { subject }: ClassMeasure, position: string): readonly RungEntry[] {
  const open = catalog.rungs.filter(
    (entry) =>
      entry.position === position &&
      entry.props.length === 0 &&
      entry.sides === 'both' &&
      catalog.heat(entry) <= EASY &&
      usesOf(entry).goodFor.some((use) => use === 'release' || use === 'breath') &&
      judge(catalog, entry, subject.graded).verdict === 'fine',
  );
  const ease = (entry: RungEntry) => catalog.heat(entry) - RELEASES * releases(entry);
  return open.sort((a, b) => ease(a) - ease(b)).slice(0, IN_TURN);
}

/** What releases may be as much hotter than what breathes. */
const RELEASES = 8;
/** So many are done in turn: the same rest again and again is none. */
const IN_TURN = 3;
const releases = (entry: RungEntry): number => Number(usesOf(entry).goodFor.includes('release'));

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
    const open = releasesIn(search, measure, position);
    const release = open[rests % Math.max(1, open.length)];
    if (!release) continue;
    rests += 1;
    const at = plan.blocks.findIndex(({ id }) => id === block.id);
    const { restAfterSeconds: _rest, ...on } = block;
    const pause: Block = {
      id: freeBlockId(plan),
      interlude: 'recover',
      name: `${release.exercise.name}, ${release.rung.name.toLowerCase()}`,
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
