import type { FeltAt, GoodFor } from '../../vocabulary/bodies/uses';
import type { RungEntry } from '../catalog';

/** Where a rung is felt and what it is good for: its own words, else its exercise's; each list may be empty. */
export const usesOf = ({
  rung,
  exercise,
}: Pick<RungEntry, 'rung' | 'exercise'>): {
  readonly feltAt: readonly FeltAt[];
  readonly goodFor: readonly GoodFor[];
} => ({
  feltAt: rung.feltAt ?? exercise.feltAt ?? [],
  goodFor: rung.goodFor ?? exercise.goodFor ?? [],
});
