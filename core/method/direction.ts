import { z } from 'zod';

/** What the spine does; `neutral` is held still against load, `articulation` goes segment by segment. */
export const DIRECTIONS = ['neutral', 'flexion', 'extension', 'rotation', 'lateral-flexion', 'articulation'] as const;

export const directionSchema = z.enum(DIRECTIONS);
export type Direction = z.infer<typeof directionSchema>;

/** What each direction is called. */
export const DIRECTION_WORDS: Readonly<Record<Direction, string>> = {
  neutral: 'neutral',
  flexion: 'flexion',
  extension: 'extension',
  rotation: 'rotation',
  'lateral-flexion': 'side bend',
  articulation: 'articulation',
};

/** The share of a class's work, 0 to 1, a direction should take. */
export const bandSchema = z
  .strictObject({ min: z.number().min(0).max(1), max: z.number().min(0).max(1) })
  .refine((band) => band.min <= band.max, { message: 'expected min to be no more than max' });
export type Band = z.infer<typeof bandSchema>;

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
