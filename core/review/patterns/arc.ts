import type { TimedBlock } from '../../plan';
import type { Subject } from '../subject/subject';

/** How a class rises and falls in heat; `null` where it never gets warm enough to have an arc. */
export interface Arc {
  readonly blocks: readonly TimedBlock[];
  readonly heats: readonly number[];
  readonly hottest: number;
  /** The hottest block; of equals the last. */
  readonly peak: TimedBlock;
  /** The middle of its first pass as a share of the way from the first block's start to the last block's end. */
  readonly peakAt: number;
  /** Indexes into `blocks` of the peaks: nearly as hot as the hottest, and above the median. */
  readonly peaks: readonly number[];
}

/** What counts as nearly the hottest, as warm, as ease and as breathing space, as shares of the hottest heat. */
const PEAK = 0.85;
export const WARM = 0.7;
export const EASE = 0.5;
export const BREATH = 0.6;
/** The first part of a class in which it only gets warm, as a share of its time. */
export const WARM_UP = 0.2;
/** Seconds of rest that are breathing space. */
export const BREATH_SECONDS = 10;

type ArcOf = Pick<Subject, 'done' | 'heats' | 'hottest' | 'limits' | 'timed'>;

/** A class of so many minutes and more has an arc, however easy it is. */
const LONG_ENOUGH = 20;

/**
 * The heat under which a class has no arc to speak of is the method's (`limits.arcHeat`).
 * @param known the peaks of a class with the same heats
 */
export function arcOf({ done, heats, hottest, limits, timed }: ArcOf, known?: readonly number[]): Arc | null {
  if (done.length === 0) return null;
  if (hottest < limits.arcHeat && timed.plan.targetMinutes < LONG_ENOUGH) return null;
  const peak = done[heats.lastIndexOf(hottest)] as TimedBlock;
  const [begin, end] = spanOf(done);
  const middle = peak.startSeconds + (peak.passes[0] as number) / 2;
  const peaks = known ?? peaksOf(heats, hottest);
  return { blocks: done, heats, hottest, peak, peakAt: end > begin ? (middle - begin) / (end - begin) : 0, peaks };
}

/** Places of what is nearly as hot as the hottest, and above the median: in a level class nothing is a peak. */
function peaksOf(heats: readonly number[], hottest: number): readonly number[] {
  const near: number[] = [];
  for (let i = 0; i < heats.length; i++) if ((heats[i] as number) >= PEAK * hottest) near.push(i);
  // Fewer than half: the median is none of them, and cooler than all.
  if (near.length < heats.length / 2) return near;
  const sorted = [...heats].sort((a, b) => a - b);
  const half = sorted.length / 2;
  const median = ((sorted[Math.ceil(half) - 1] ?? 0) + (sorted[Math.floor(half)] ?? 0)) / 2;
  return near.filter((i) => (heats[i] as number) > median);
}

/** When the first block begins and the last one ends. */
export function spanOf(done: readonly TimedBlock[]): [number, number] {
  const begin = done[0]?.startSeconds ?? 0;
  let end = begin;
  for (const { endSeconds } of done) if (endSeconds > end) end = endSeconds;
  return [begin, end];
}
