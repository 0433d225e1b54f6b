import type { Dose } from '../../repertoire/exercise';
import type { Problem } from './problem';

/** A range goes up: of repetitions, of days. */
function rangeProblems(
  from: number | undefined,
  to: number | undefined,
  key: string,
  path: Problem['path'],
): Problem[] {
  if (to === undefined) return [];
  if (from === undefined)
    return [{ path: [...path, key], message: `A range ends at ${to}; expected where it begins.` }];
  return to >= from
    ? []
    : [{ path: [...path, key], message: `The range goes from ${from} to ${to}; expected ${from} or more.` }];
}

/**
 * What can't be of a dose: ranges that go down, stages that do not add up to the repetitions.
 * @param dose as it is done: a rung's own, or with a block's changes
 */
export function doseProblems({ reps, repsTo, days, daysTo, stages }: Dose, path: Problem['path']): Problem[] {
  const problems = [...rangeProblems(reps, repsTo, 'repsTo', path), ...rangeProblems(days, daysTo, 'daysTo', path)];
  const sum = stages?.reduce((all, stage) => all + stage.reps, 0) ?? reps;
  if (sum < reps || sum > (repsTo ?? reps)) {
    const expected = repsTo === undefined ? `${reps}` : `${reps} to ${repsTo}`;
    problems.push({
      path: [...path, 'stages'],
      message: `The stages have ${sum} repetitions in all; expected ${expected}, those of the set.`,
    });
  }
  return problems;
}
