import type { Rung } from '../repertoire/exercise';

/** Fewest repetitions that still teach something. Source: docs/timing.md, "The range of a dose". */
const LEAST_REPS = 3;

/**
 * The repetitions a rung is sensibly done with, for fitting and for fixes: its own range, else its dose's, else from
 * half of its dose to one and a half; never under three, or under its own dose where that is less.
 * @example repsRangeOf({ dose: { sets: 1, reps: 8 } }) // [4, 12]
 */
export function repsRangeOf({ dose: { reps, repsTo }, repsRange }: Pick<Rung, 'dose' | 'repsRange'>): [number, number] {
  const [least, most] =
    repsRange ?? (repsTo === undefined ? [Math.ceil(reps / 2), Math.floor(reps * 1.5)] : [reps, repsTo]);
  const fewest = Math.min(reps, Math.max(LEAST_REPS, least));
  return [fewest, Math.max(fewest, most)];
}
