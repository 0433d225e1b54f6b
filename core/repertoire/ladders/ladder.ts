import type { Catalog, RungEntry } from '../catalog';
import type { Exercise } from '../exercise';

/** What is wrong with a ladder at one of its rungs. */
export interface LadderFault {
  /**
   * `falls`: no hotter than the rung below; `gap`: a rung is missing below it; `single`: nothing to climb; `branch`: not
   * about as hot as the rung it stands beside, or hotter than it where it spares a part of the body.
   */
  readonly kind: 'falls' | 'gap' | 'single' | 'branch';
  /** Place of the rung in its ladder, from 0. */
  readonly step: number;
  /** The step in heat, and what it is held against. */
  readonly value: number;
  readonly limit: number;
}

/** Least heat between two rungs that a hand can tell apart; steps under it make no useful median. */
const LEAST_STEP = 1;

/** Heat by which a branch may differ from the rung it stands beside and still be no higher and no lower. */
const BESIDE = 3;

/** The rungs one climbs, in order: branches aside. */
const climbed = (catalog: Catalog, { id }: Exercise): readonly RungEntry[] =>
  catalog.ladder(id).filter(({ rung }) => rung.branchOf === undefined);

/** The heats of the rungs one climbs, in order. */
export const ladderHeats = (catalog: Catalog, exercise: Exercise): number[] =>
  climbed(catalog, exercise).map((entry) => catalog.heat(entry));

/**
 * A ladder is sound when heat rises at every rung, branches aside, and no step is more than about twice its median step
 * and more than 6. The largest step allowed, in median steps and in heat, is the method's (`limits.ladderStep`,
 * `limits.ladderStepHeat`).
 */
export function ladderFaults(catalog: Catalog, exercise: Exercise): LadderFault[] {
  const rungs = climbed(catalog, exercise);
  const heats = rungs.map((entry) => catalog.heat(entry));
  const beside = branchFaults(catalog, exercise);
  if (heats.length < 2) return [{ kind: 'single', step: 0, value: heats.length, limit: 2 }, ...beside];
  const { ladderStep, ladderStepHeat } = catalog.method.limits;
  const steps = heats.slice(1).map((heat, i) => heat - (heats[i] ?? heat));
  const inSteps = Math.max(LEAST_STEP, median(steps.filter((step) => step > 0))) * ladderStep;
  const limit = Math.max(inSteps, ladderStepHeat);
  const climbing = steps.flatMap((value, i): LadderFault[] => {
    const step = rungs[i + 1]?.step ?? i + 1;
    if (value <= 0) return [{ kind: 'falls', step, value, limit: 0 }];
    return value > limit ? [{ kind: 'gap', step, value, limit }] : [];
  });
  return [...climbing, ...beside];
}

function branchFaults(catalog: Catalog, { id }: Exercise): LadderFault[] {
  return catalog.ladder(id).flatMap((entry): LadderFault[] => {
    const { branchOf } = entry.rung;
    const main = branchOf === undefined ? undefined : catalog.rung({ exercise: id, rung: branchOf });
    if (!main) return [];
    const value = catalog.heat(entry) - catalog.heat(main);
    // What spares a part of the body may be easier for it.
    const cooler = value < -BESIDE && (entry.rung.spares ?? []).length === 0;
    return value > BESIDE || cooler ? [{ kind: 'branch', step: entry.step, value, limit: BESIDE }] : [];
  });
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length / 2;
  return ((sorted[Math.ceil(middle) - 1] ?? 0) + (sorted[Math.floor(middle)] ?? 0)) / 2;
}

/** The rung that a fault at a step is held against: the one it stands beside, or the one climbed from. */
export function heldAgainst({ rungs }: Exercise, step: number): number {
  const beside = rungs[step]?.branchOf;
  if (beside !== undefined) return rungs.findIndex(({ id }) => id === beside);
  return rungs.findLastIndex(({ branchOf }, i) => i < step && branchOf === undefined);
}

/** The fault in a sentence. */
export function ladderFaultText(exercise: Exercise, { kind, step, value, limit }: LadderFault): string {
  const name = exercise.rungs[step]?.name ?? '';
  const below = exercise.rungs[heldAgainst(exercise, step)]?.name ?? '';
  switch (kind) {
    case 'single':
      return 'Add an easier or harder version: with one alone there is nothing lower to offer and nothing to climb to.';
    case 'falls':
      return `“${name}” is ${value === 0 ? 'no harder' : `${Math.abs(value).toFixed(1)} easier`} than “${below}” below it; heat must rise at every rung.`;
    case 'branch':
      return `“${name}” stands beside “${below}” and is ${Math.abs(value).toFixed(1)} ${value > 0 ? 'harder' : 'easier'}; ${limit} is the most for a rung that is no higher and no lower.`;
    case 'gap':
      return `From “${below}” to “${name}” heat rises by ${value.toFixed(1)}; more than ${limit.toFixed(1)} on this ladder means a rung is missing.`;
  }
}

/**
 * Kendall's tau between the order of rungs and their heat, over every pair of rungs that share a ladder:
 * 1 when heat rises at every one, −1 when it falls at every one. Ties count as neither.
 */
export function ladderTau(ladders: ReadonlyArray<readonly number[]>): number {
  let [agree, pairs] = [0, 0];
  for (const heats of ladders) {
    heats.forEach((lower, i) => {
      for (const higher of heats.slice(i + 1)) {
        agree += Math.sign(higher - lower);
        pairs += 1;
      }
    });
  }
  return pairs === 0 ? 1 : agree / pairs;
}
