import type { Catalog } from './catalog';
import type { Exercise } from './exercise';

/** What is wrong with a ladder at one of its rungs. */
export interface LadderFault {
  /** `falls`: no hotter than the rung below; `gap`: a rung is missing below it; `single`: nothing to climb. */
  readonly kind: 'falls' | 'gap' | 'single';
  /** Place of the rung in its ladder, from 0. */
  readonly step: number;
  /** The step in heat, and what it is held against. */
  readonly value: number;
  readonly limit: number;
}

/** Least heat between two rungs that a hand can tell apart; steps under it make no useful median. */
const LEAST_STEP = 1;

/** The heats of a ladder's rungs, in its order. */
export const ladderHeats = (catalog: Catalog, { id, rungs }: Exercise): number[] =>
  rungs.flatMap((rung) => {
    const entry = catalog.rung({ exercise: id, rung: rung.id });
    return entry ? [catalog.heat(entry)] : [];
  });

/**
 * A ladder is sound when heat rises at every rung and no step is more than about twice its median step.
 * The largest step allowed, in median steps, is the method's (`limits.ladderStep`).
 */
export function ladderFaults(catalog: Catalog, exercise: Exercise): LadderFault[] {
  const heats = ladderHeats(catalog, exercise);
  if (heats.length < 2) return [{ kind: 'single', step: 0, value: heats.length, limit: 2 }];
  const steps = heats.slice(1).map((heat, i) => heat - (heats[i] ?? heat));
  const limit = Math.max(LEAST_STEP, median(steps.filter((step) => step > 0))) * catalog.method.limits.ladderStep;
  return steps.flatMap((value, i): LadderFault[] => {
    if (value <= 0) return [{ kind: 'falls', step: i + 1, value, limit: 0 }];
    return value > limit ? [{ kind: 'gap', step: i + 1, value, limit }] : [];
  });
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length / 2;
  return ((sorted[Math.ceil(middle) - 1] ?? 0) + (sorted[Math.floor(middle)] ?? 0)) / 2;
}

/** The fault in a sentence. */
export function ladderFaultText({ rungs }: Exercise, { kind, step, value, limit }: LadderFault): string {
  const name = rungs[step]?.name ?? '';
  const below = rungs[step - 1]?.name ?? '';
  if (kind === 'single')
    return 'Add an easier or harder version: with one alone there is nothing lower to offer and nothing to climb to.';
  if (kind === 'falls') {
    return `“${name}” is ${value === 0 ? 'no hotter' : `${Math.abs(value).toFixed(1)} cooler`} than “${below}” below it; heat must rise at every rung.`;
  }
  return `From “${below}” to “${name}” heat rises by ${value.toFixed(1)}; more than ${limit.toFixed(1)} on this ladder means a rung is missing.`;
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
