import { changesSide, type LaidBlock, type TimedBlock } from '../../plan';
import { otherSide, type Side } from '../../vocabulary/bodies/side';
import type { Known } from '../subject/known';

/** Work and repetitions of one exercise on each side. */
export interface SideTally {
  readonly blocks: TimedBlock[];
  readonly seconds: Record<Side, number>;
  readonly reps: Record<Side, number>;
}

/**
 * What each exercise does on its sides of which some block is done more on one, by id. Blocks that are even by
 * themselves cannot make an exercise uneven, and most classes have no others.
 * @param known of each of the blocks
 */
export function unevenExercises(done: readonly TimedBlock[], known: readonly Known[]): ReadonlyMap<string, SideTally> {
  const tallies = new Map<string, SideTally>();
  for (const { uneven, laid } of known) {
    const { id } = laid.entry.exercise;
    if (uneven && !tallies.has(id)) {
      tallies.set(id, { blocks: [], seconds: { left: 0, right: 0 }, reps: { left: 0, right: 0 } });
    }
  }
  if (tallies.size === 0) return tallies;
  for (const block of done) {
    const { firstSide, sides } = block;
    const tally = tallies.get(block.entry.exercise.id);
    if (!tally || firstSide === null) continue;
    tally.blocks.push(block);
    tally.seconds.left += sides.left;
    tally.seconds.right += sides.right;
    const [first, second] = repsOnSides(block);
    tally.reps[firstSide] += first;
    tally.reps[otherSide(firstSide)] += second;
  }
  return tallies;
}

/** Repetitions on the first side and on the second. */
export function repsOnSides({ sets, reps, secondReps, entry, block }: LaidBlock): [number, number] {
  if (block.side !== undefined) return [sets * reps, 0];
  if (changesSide(entry, block)) return [sets * reps, sets * secondReps];
  return [sets * reps, sets * reps];
}
