import type { Method } from '../method';
import type { Unit } from '../vocabulary/measure';
import { SCORE_PARTS, type ScorePart, type Severity } from './finding';
import type { Measures } from './measures';
import type { Subject } from './subject/subject';

/** How good a class is: lower is better. */
export interface Score {
  readonly total: number;
  /** All of it but craft: under 1, nothing is wrong. */
  readonly sound: number;
  /** What each part costs; they sum to the total. */
  readonly parts: Readonly<Record<ScorePart | 'ease', number>>;
}

/** Least step by which more of the same is worse, by unit; a tenth of the limit where that is more. */
const LEAST_STEP: Readonly<Partial<Record<Unit, number>>> = { s: 10, '': 0.02, heat: 5 };
/** Five steps over a limit cost no less than fifty. */
const MOST_EXCESS = 5;

/** By how many steps a value lies beyond its limit; 0 for what is there or not. */
export function excessOf(value: number, limit: number, unit: Unit, presence: boolean): number {
  if (presence) return 0;
  const step = Math.max(Math.abs(limit) / 10, LEAST_STEP[unit] ?? 1);
  return Math.min(MOST_EXCESS, Math.abs(value - limit) / step);
}

/** What one finding costs: its severity's weight, and once more for each step beyond the limit. */
export const costOf = (weights: Method['score'], severity: Severity, excess: number): number =>
  weights[severity] * (1 + excess);

/** All soft measures together cost less than the mildest finding. */
const EASE = 0.9;

/**
 * How far the soft measures lie from what the house likes best, 0 to 0.9: the place of the peak, time and props spent
 * on changes, directions within their bands, the length against the target.
 */
export function easeOf({ timed, catalog, arc }: Subject, measures: Measures): number {
  const { score } = catalog.method;
  const target = timed.plan.targetMinutes * 60;
  const capped = (distance: number) => Math.min(1, Math.abs(distance));
  const blocks = Math.max(1, timed.sequence.length);
  const distances = [
    arc ? capped((measures.peakAt - score.peakAt) / Math.max(score.peakAt, 1 - score.peakAt)) : 0,
    capped(measures.changingShare - score.changingShare),
    capped(measures.directionsOutside),
    capped((measures.propChanges - score.propChanges) / (2 * blocks)),
    capped((timed.seconds - target) / target),
  ];
  return (EASE * distances.reduce((sum, each) => sum + each, 0)) / distances.length;
}

const EMPTY = { ...Object.fromEntries(Object.keys(SCORE_PARTS).map((part) => [part, 0])), ease: 0 } as Record<
  ScorePart | 'ease',
  number
>;
export const emptyParts = (): Record<ScorePart | 'ease', number> => ({ ...EMPTY });
