import { isInterlude, type RungBlock, type TimedBlock } from '../plan';
import { type ClassMeasure, measureClass } from '../review';
import type { Search } from './aims';

/** Most blocks done on one side before the other: more are not remembered on the second. */
const LONGEST_RUN = 4;
/** By how much of a score the class may be worse for its sides going as the house has them. */
const WORTH = 0.05;

/**
 * A class with its sides as the house changes them: neighbours of one position in runs, first one side and then the
 * other; or block by block with the side that begins changing. What the review has something against is left as it was.
 */
export function withSides({ catalog, context }: Search, measure: ClassMeasure): ClassMeasure {
  const { sideChange } = catalog.method.choices;
  if (sideChange === 'block') return measure;
  const groups = sideChange === 'run' ? runsIn(measure) : sidedIn(measure).map((each) => [each]);
  let now = measure;
  groups.forEach((group, i) => {
    const change: Partial<RungBlock> = sideChange === 'run' ? { run: `run-${i + 1}` } : firstSideAt(i, catalog);
    const ids = new Set(group.map(({ block }) => block.id));
    const { plan } = now.timed;
    const blocks = plan.blocks.map((block) =>
      ids.has(block.id) && !isInterlude(block) ? { ...block, ...change } : block,
    );
    const after = measureClass(catalog, { ...plan, blocks }, context);
    if (after.score.total <= now.score.total + WORTH) now = after;
  });
  return now;
}

const firstSideAt = (i: number, { method }: Search['catalog']): Partial<RungBlock> => {
  const other = method.firstSide === 'left' ? 'right' : 'left';
  return { firstSide: i % 2 === 0 ? method.firstSide : other };
};

/** Blocks done on one side and then the other, and free to be done otherwise. */
const sidedIn = ({ timed }: ClassMeasure): TimedBlock[] => timed.blocks.filter(isSided);

const isSided = ({ block, entry }: TimedBlock): boolean =>
  entry.sides === 'each' && block.side === undefined && block.run === undefined && !block.locked;

/** Neighbouring sided blocks of one position, two to four together. */
function runsIn({ timed }: ClassMeasure): TimedBlock[][] {
  const stretches: TimedBlock[][] = [];
  for (const block of timed.blocks) {
    const last = stretches.at(-1)?.at(-1);
    const joins = last && last.index === block.index - 1 && last.position === block.position && isSided(block);
    if (joins && isSided(last)) stretches.at(-1)?.push(block);
    else stretches.push([block]);
  }
  return stretches
    .filter((stretch) => stretch.length > 1)
    .flatMap((stretch) => {
      const parts = Math.ceil(stretch.length / LONGEST_RUN);
      const size = Math.ceil(stretch.length / parts);
      return Array.from({ length: parts }, (_, i) => stretch.slice(i * size, (i + 1) * size));
    })
    .filter((run) => run.length > 1);
}
