import type { Method, Order } from '../method';
import { WARM_UP } from './patterns/arc';

/** A stretch of a class, as shares of the way from its first block to its last. */
export interface Stage {
  readonly name: 'warm' | 'build' | 'peak' | 'ease';
  readonly from: number;
  readonly to: number;
}

/** Where a class gets warm, builds, peaks and eases, by the limits it is judged by. */
export const stagesOf = ({ peakFrom, peakTo }: Pick<Method['limits'], 'peakFrom' | 'peakTo'>): readonly Stage[] => [
  { name: 'warm', from: 0, to: WARM_UP },
  { name: 'build', from: WARM_UP, to: peakFrom },
  { name: 'peak', from: peakFrom, to: peakTo },
  { name: 'ease', from: peakTo, to: 1 },
];

/** Shares of the hottest heat a class begins and ends with; one that begins with last time’s end begins warmer. */
const [BEGINS, RECAPS, ENDS] = [0.4, 0.65, 0.35];

/**
 * How hard an ideal class is at a share of the way, as a share of its hottest: it builds evenly up to the peak and
 * eases after it. Our estimate; what it begins from and ends with leaves room for warm-up and ease.
 * @param share 0 to 1, from the first block to the last
 * @param peakAt 0 to 1, where the house likes the peak best (`score.peakAt`)
 */
export function idealHeat(share: number, peakAt: number, order: Order): number {
  const begins = order === 'recap' ? RECAPS : BEGINS;
  if (share < peakAt) return begins + (1 - begins) * (share / peakAt);
  return 1 - (1 - ENDS) * ((share - peakAt) / Math.max(1 - peakAt, 1e-9));
}
