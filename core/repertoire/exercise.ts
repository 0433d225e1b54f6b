import type { Phase, Rung, RungRef } from './exerciseSchema';

export { BREATHS, CUE_KINDS, type CueKind, REP_PLACES, type RepPlace } from '../vocabulary/words/cue';
export type { Cue, Dose, DoseChange, Exercise, Phase, Prop, Rung, RungRef } from './exerciseSchema';

/** How a rung is named across the product: `exercise/rung`. */
export const rungKey = ({ exercise, rung }: RungRef): string => `${exercise}/${rung}`;

/** The rung a key names. @throws never; a key without a slash names a rung without an id */
export function splitRungKey(key: string): RungRef {
  const slash = key.indexOf('/');
  return { exercise: key.slice(0, slash), rung: key.slice(slash + 1) };
}

/** All phases of a rung that have an id: the way in, the repetition, the way out. */
export const allPhases = ({ entry = [], phases, exit = [] }: Rung): readonly Phase[] => [...entry, ...phases, ...exit];

/** Counts that a phase takes: of a range, the middle. @example phaseCounts({ counts: 10, countsTo: 15 }) // 12.5 */
export const phaseCounts = ({ counts, countsTo }: Pick<Phase, 'counts' | 'countsTo'>): number =>
  countsTo === undefined ? counts : (counts + countsTo) / 2;
