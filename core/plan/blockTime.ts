import type { Method } from '../method';
import type { RungEntry } from '../repertoire/catalog';
import type { Dose } from '../repertoire/exercise';
import type { Block } from './class';

/** The dose a block is taught with: its rung's own, changed key by key by the block. */
export function doseOf({ rung }: RungEntry, { dose }: Block): Dose {
  if (!dose) return rung.dose;
  const secondsPerCount = dose.secondsPerCount ?? rung.dose.secondsPerCount;
  return {
    sets: dose.sets ?? rung.dose.sets,
    reps: dose.reps ?? rung.dose.reps,
    ...(secondsPerCount === undefined ? {} : { secondsPerCount }),
  };
}

/** Seconds of one repetition: all its phases once. */
export function repSeconds(entry: RungEntry, dose: Dose, method: Method): number {
  const counts = entry.rung.phases.reduce((sum, phase) => sum + phase.counts, 0);
  return counts * (dose.secondsPerCount ?? method.secondsPerCount);
}

/** Whether the block is done on one side and then on the other. */
export const changesSide = (entry: RungEntry, block: Block): boolean =>
  entry.exercise.sides === 'each' && block.side === undefined;

/** Seconds of a block's own parts, without what lies between blocks or the change of side. */
export interface BlockSeconds {
  readonly setup: number;
  readonly work: number;
  readonly options: number;
  readonly rest: number;
  /** Of the set-up and the work, what falls to the second side; 0 unless the block changes side. */
  readonly second: { readonly setup: number; readonly work: number };
}

/**
 * The timing formula (docs/timing.md):
 * - one side = sets × reps × rep + (sets − 1) × rest between sets
 * - `both`: that; `alternate`: 2 × sets × reps × rep + (sets − 1) × rest; `each`: one side twice;
 *   limited to a side: one side once
 * - set-up = `teach`: set-up seconds + one shown rep; `flow`: the method's share of the set-up seconds;
 *   each second side adds that share again
 * - each option offered adds the method's option seconds
 */
export function blockSeconds(entry: RungEntry, block: Block, method: Method): BlockSeconds {
  const dose = doseOf(entry, block);
  const rep = repSeconds(entry, dose, method);
  const rests = (dose.sets - 1) * method.restBetweenSetsSeconds;
  const oneSide = dose.sets * dose.reps * rep + rests;
  const twoSided = changesSide(entry, block);
  const alternates = entry.exercise.sides === 'alternate' && block.side === undefined;
  const short = method.flowSetupShare * entry.rung.setupSeconds;
  return {
    setup: (block.mode === 'teach' ? entry.rung.setupSeconds + rep : short) + (twoSided ? short : 0),
    work: twoSided ? 2 * oneSide : alternates ? 2 * dose.sets * dose.reps * rep + rests : oneSide,
    options: (block.options?.length ?? 0) * method.optionSeconds,
    rest: block.restAfterSeconds ?? 0,
    second: twoSided ? { setup: short, work: oneSide } : { setup: 0, work: 0 },
  };
}
