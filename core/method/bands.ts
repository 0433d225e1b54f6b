import { DIRECTIONS, type Direction } from '../vocabulary/bodies/direction';
import type { Band } from './methodSchema';

export type { Band } from './methodSchema';

/** House starting values for a class without a focus; a director can change each in the method. */
export const BALANCED_BANDS: Readonly<Record<Direction, Band>> = {
  neutral: { min: 0.1, max: 0.6 },
  flexion: { min: 0.05, max: 0.4 },
  extension: { min: 0.08, max: 0.4 },
  rotation: { min: 0.05, max: 0.35 },
  'lateral-flexion': { min: 0.04, max: 0.35 },
  articulation: { min: 0.04, max: 0.4 },
};

/**
 * The bands of one class: the house's own, or, when the class has a focus, a wide band for that direction
 * and half the lower bound for the others (a themed class still touches the rest).
 */
export function bandsFor(
  bands: Readonly<Record<Direction, Band>>,
  focus: Direction | undefined,
): Record<Direction, Band> {
  if (focus === undefined) return { ...bands };
  const themed = DIRECTIONS.map((direction) => {
    const band = bands[direction];
    return [direction, direction === focus ? { min: 0.25, max: 0.75 } : { min: band.min / 2, max: band.max }];
  });
  return Object.fromEntries(themed) as Record<Direction, Band>;
}
