import type { Catalog } from '../../repertoire/catalog';
import { rungKey } from '../../repertoire/exercise';
import { type ClassPlan, type Interlude, isInterlude, optionOf, type RungBlock, type SpareBlock } from '../class';
import { doseOf } from '../clock/blockTime';
import { doseProblems } from './doseProblems';
import type { Problem } from './problem';

/**
 * Whether a class fits the repertoire it names: every rung exists, runs hold together, positions are known.
 * @returns the problems, with paths inside the class; empty when it can be timed and taught
 */
export function checkClass(catalog: Catalog, plan: ClassPlan): Problem[] {
  const problems: Problem[] = [...repeated(plan)];
  if (plan.openingPosition !== undefined) {
    problems.push(...checkPosition(catalog, plan.openingPosition, ['openingPosition']));
  }
  problems.push(...checkSpare(catalog, plan), ...checkGive(plan), ...checkShort(plan));
  plan.blocks.forEach((block, index) => {
    const path = ['blocks', index];
    problems.push(...(isInterlude(block) ? checkInterlude(catalog, block, path) : checkBlock(catalog, block, path)));
  });
  return problems.length > 0 ? problems : checkRuns(catalog, plan);
}

/** Ids of blocks, and of lines, that stand twice in a class: which of the two is meant nobody can tell. */
function repeated({ blocks, spare = [] }: ClassPlan): Problem[] {
  const problems: Problem[] = [];
  const [seen, lines] = [new Set<string>(), new Set<string>()];
  [...blocks, ...spare].forEach((block, i) => {
    const [list, index] = i < blocks.length ? ['blocks', i] : ['spare', i - blocks.length];
    if (seen.has(block.id)) {
      problems.push({
        path: [list, index, 'id'],
        message: `The id “${block.id}” stands twice; expected each once.`,
      });
    }
    seen.add(block.id);
    block.lines?.forEach(({ id }, number) => {
      if (lines.has(id)) {
        const path = [list, index, 'lines', number, 'id'];
        problems.push({ path, message: `The id “${id}” stands twice in this class; expected each once.` });
      }
      lines.add(id);
    });
  });
  return problems;
}

/** Blocks for when there is time are rungs that are there, each after a block that is. */
function checkSpare(catalog: Catalog, { blocks, spare = [] }: ClassPlan): Problem[] {
  return spare.flatMap((block, index) => {
    const path = ['spare', index];
    const problems = checkBlock(catalog, block, path);
    if (!blocks.some(({ id }) => id === block.after)) {
      problems.push({ path: [...path, 'after'], message: `There is no block “${block.after}” to follow.` });
    }
    return problems;
  });
}

/** What is left out first when it is late: nothing that is locked, and of a run all blocks or none. */
function checkGive({ blocks }: ClassPlan): Problem[] {
  return blocks.flatMap((block, index): Problem[] => {
    if (block.give === undefined) return [];
    const path = ['blocks', index, 'give'];
    if (block.locked) return [{ path, message: 'The block is locked; expected no “give” on it.' }];
    const run = isInterlude(block) ? undefined : block.run;
    const kept = blocks.find((other) => !isInterlude(other) && run !== undefined && other.run === run && !other.give);
    return kept
      ? [{ path, message: `Run “${run}” goes or stays whole; expected “give” on “${kept.id}” too, or on none.` }]
      : [];
  });
}

/** The short form leaves out blocks that are there. */
const checkShort = ({ blocks, short }: ClassPlan): Problem[] =>
  (short?.leaveOut ?? []).flatMap((left, index) =>
    blocks.some(({ id }) => id === left)
      ? []
      : [{ path: ['short', 'leaveOut', index], message: `There is no block “${left}” to leave out.` }],
  );

function checkPosition({ graph }: Catalog, position: string, path: Problem['path']): Problem[] {
  if (graph.has(position)) return [];
  return [{ path, message: `“${position}” is not a position; expected one of ${graph.positions.join(', ')}.` }];
}

function checkInterlude(catalog: Catalog, { position, rung }: Interlude, path: Problem['path']): Problem[] {
  const problems = position === undefined ? [] : checkPosition(catalog, position, [...path, 'position']);
  if (rung !== undefined && !catalog.rungByKey(rung)) {
    problems.push({ path: [...path, 'rung'], message: `There is no rung “${rung}” in the repertoire.` });
  }
  return problems;
}

function checkBlock(catalog: Catalog, block: RungBlock | SpareBlock, path: Problem['path']): Problem[] {
  const exercise = catalog.exercise(block.exercise);
  if (!exercise) {
    return [{ path: [...path, 'exercise'], message: `There is no exercise “${block.exercise}” in the repertoire.` }];
  }
  const entry = catalog.rung(block);
  if (!entry) {
    const known = exercise.rungs.map(({ id }) => id).join(', ');
    const message = `“${exercise.name}” has no rung “${block.rung}”; its rungs are ${known}.`;
    return [{ path: [...path, 'rung'], message }];
  }
  const problems = [...checkOptions(catalog, block, exercise.name, path), ...checkDoses(catalog, block, path)];
  if (block.side !== undefined && entry.sides === 'both') {
    problems.push({
      path: [...path, 'side'],
      message: `“${rungKey(block)}” works both sides at once, so it can’t be limited to the ${block.side}.`,
    });
  }
  return problems;
}

function checkOptions(catalog: Catalog, block: RungBlock, name: string, path: Problem['path']): Problem[] {
  const seen = new Set<string>();
  return (block.options ?? []).flatMap((option, index): Problem[] => {
    const { rung, dose } = optionOf(option);
    const here = [...path, 'options', index];
    const known = seen.has(rung);
    seen.add(rung);
    const offered = catalog.rung({ exercise: block.exercise, rung });
    if (!offered) return [{ path: here, message: `“${name}” has no rung “${rung}” to offer as an option.` }];
    if (rung === block.rung || known) {
      const already = rung === block.rung ? 'the main version' : 'offered';
      return [{ path: here, message: `The rung “${rung}” is already ${already} in this block.` }];
    }
    return dose ? doseProblems(doseOf(offered, { dose }), [...here, 'dose']) : [];
  });
}

function checkDoses(catalog: Catalog, block: RungBlock, path: Problem['path']): Problem[] {
  const entry = catalog.rung(block);
  const problems = entry && block.dose ? doseProblems(doseOf(entry, block), [...path, 'dose']) : [];
  if (block.secondDose && (entry?.sides !== 'each' || block.side !== undefined)) {
    const only =
      block.side === undefined ? 'is not done on one side and then the other' : `is done on the ${block.side} alone`;
    problems.push({
      path: [...path, 'secondDose'],
      message: `“${rungKey(block)}” ${only} here, so there is no second side to have a dose of its own.`,
    });
  }
  return problems;
}

function checkRuns(catalog: Catalog, plan: ClassPlan): Problem[] {
  const problems: Problem[] = [];
  const closed = new Set<string>();
  let before: RungBlock | undefined;
  let apart: Interlude | undefined;
  plan.blocks.forEach((block, index) => {
    if (isInterlude(block)) {
      apart ??= block;
      return;
    }
    const { run } = block;
    if (before?.run !== undefined && before.run !== run) closed.add(before.run);
    const problem = run === undefined ? null : runProblem(catalog, block, run, { before, apart, closed });
    if (problem) problems.push({ path: ['blocks', index, problem.key], message: problem.message });
    before = block;
    apart = undefined;
  });
  return problems;
}

interface RunContext {
  readonly before: RungBlock | undefined;
  readonly apart: Interlude | undefined;
  readonly closed: ReadonlySet<string>;
}

function runProblem(
  catalog: Catalog,
  block: RungBlock,
  run: string,
  { before, apart, closed }: RunContext,
): { readonly key: string; readonly message: string } | null {
  const entry = catalog.rung(block);
  if (closed.has(run)) {
    return { key: 'run', message: `The blocks of run “${run}” are not neighbours; nothing may stand between them.` };
  }
  if (entry?.sides !== 'each' || block.side !== undefined) {
    return {
      key: 'run',
      message: `Run “${run}” goes through one side and then the other, so each of its blocks must be done on each side; “${rungKey(block)}” is not.`,
    };
  }
  if (before?.run !== run) return null;
  if (apart) {
    return {
      key: 'run',
      message: `“${apart.name}” stands inside run “${run}”; an interlude belongs before the run or after it.`,
    };
  }
  const position = catalog.rung(before)?.position;
  if (position !== entry.position) {
    return {
      key: 'run',
      message: `Run “${run}” changes from ${position} to ${entry.position}; the blocks of a run share one position.`,
    };
  }
  if (block.firstSide !== undefined) {
    return {
      key: 'firstSide',
      message: `The side that begins run “${run}” is said by its first block; expected none here.`,
    };
  }
  return null;
}
