import type { Catalog } from '../repertoire/catalog';
import { rungKey } from '../repertoire/exercise';
import type { Block, ClassPlan } from './class';

/** Something in a plan or a file that does not hold together. */
export interface Problem {
  /** Where: the keys and indexes leading to it. */
  readonly path: ReadonlyArray<string | number>;
  /** A whole sentence: what is wrong and what was expected. */
  readonly message: string;
}

/**
 * Whether a class fits the repertoire it names: every rung exists, runs hold together, positions are known.
 * @returns the problems, with paths inside the class; empty when it can be timed and taught
 */
export function checkClass(catalog: Catalog, plan: ClassPlan): Problem[] {
  const problems: Problem[] = [];
  if (plan.openingPosition !== undefined && !catalog.graph.has(plan.openingPosition)) {
    problems.push({
      path: ['openingPosition'],
      message: `“${plan.openingPosition}” is not a position; expected one of ${catalog.graph.positions.join(', ')}.`,
    });
  }
  plan.blocks.forEach((block, index) => {
    problems.push(...checkBlock(catalog, block, ['blocks', index]));
  });
  return problems.length > 0 ? problems : checkRuns(catalog, plan);
}

function checkBlock(catalog: Catalog, block: Block, path: Problem['path']): Problem[] {
  const exercise = catalog.exercise(block.exercise);
  if (!exercise) {
    return [{ path: [...path, 'exercise'], message: `There is no exercise “${block.exercise}” in the repertoire.` }];
  }
  const entry = catalog.rung(block);
  if (!entry) {
    const known = exercise.rungs.map(({ id }) => id).join(', ');
    return [
      {
        path: [...path, 'rung'],
        message: `“${exercise.name}” has no rung “${block.rung}”; its rungs are ${known}.`,
      },
    ];
  }
  const problems: Problem[] = [];
  block.options?.forEach((option, index) => {
    if (!catalog.rung({ exercise: block.exercise, rung: option })) {
      problems.push({
        path: [...path, 'options', index],
        message: `“${exercise.name}” has no rung “${option}” to offer as an option.`,
      });
    } else if (option === block.rung || block.options?.indexOf(option) !== index) {
      problems.push({
        path: [...path, 'options', index],
        message: `The rung “${option}” is already ${option === block.rung ? 'the main version' : 'offered'} in this block.`,
      });
    }
  });
  if (block.side !== undefined && exercise.sides === 'both') {
    problems.push({
      path: [...path, 'side'],
      message: `“${exercise.name}” works both sides at once, so it can’t be limited to the ${block.side}.`,
    });
  }
  return problems;
}

function checkRuns(catalog: Catalog, plan: ClassPlan): Problem[] {
  const problems: Problem[] = [];
  const closed = new Set<string>();
  plan.blocks.forEach((block, index) => {
    const before = plan.blocks[index - 1];
    if (before?.run !== undefined && before.run !== block.run) closed.add(before.run);
    if (block.run === undefined) return;
    const path = ['blocks', index, 'run'];
    const exercise = catalog.exercise(block.exercise);
    if (closed.has(block.run)) {
      problems.push({
        path,
        message: `The blocks of run “${block.run}” are not neighbours; nothing may stand between them.`,
      });
    } else if (exercise?.sides !== 'each' || block.side !== undefined) {
      problems.push({
        path,
        message: `Run “${block.run}” goes through one side and then the other, so each of its blocks must be done on each side; “${rungKey(block)}” is not.`,
      });
    } else if (before?.run === block.run) {
      const position = catalog.exercise(before.exercise)?.position;
      if (position !== exercise.position) {
        problems.push({
          path,
          message: `Run “${block.run}” changes from ${position} to ${exercise.position}; the blocks of a run share one position.`,
        });
      }
    }
  });
  return problems;
}
