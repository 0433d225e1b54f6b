import type { Method } from '../method';

/** The range a class's length falls in, and the chance that it passes its target. */
export interface TimeRange {
  /** Seconds: one class in ten is shorter. */
  readonly p10: number;
  /** Seconds: one class in ten is longer. */
  readonly p90: number;
  /** 0 to 1. */
  readonly overChance: number;
}

/** The uncertain quantities of one block, in seconds. */
export interface UncertainSeconds {
  readonly work: number;
  /** Set-up and options whose seconds are known: typed, or a block that carries on. */
  readonly setup: number;
  /** Those of which only the rung's guess is known. */
  readonly setupUnknown: number;
  readonly changes: number;
  readonly rest: number;
}

/** Seconds of a class, of what frames it, and of its target. */
export interface Lasting {
  readonly seconds: number;
  readonly opening: number;
  readonly closing: number;
  readonly target: number;
}

/** Standard normal quantile of 0.9. */
const Z90 = 1.2815515655446004;

/**
 * Each block's work, talk (set-up and options), changes and rest (an interlude counts as rest), and the opening and
 * the closing, vary independently by the method's coefficients; the teacher's pace that day moves everything between
 * opening and closing together. Their sum is taken as normal.
 */
export function runningOver(
  { seconds, opening, closing, target }: Lasting,
  parts: ReadonlyArray<{ readonly uncertain: UncertainSeconds }>,
  cv: Method['uncertainty'],
): TimeRange {
  const taught = seconds - opening - closing;
  let variance = square(cv.rest * opening) + square(cv.rest * closing) + square(cv.teacher * taught);
  for (const { uncertain } of parts) {
    variance +=
      square(cv.work * uncertain.work) +
      square(cv.setup * uncertain.setup) +
      square(cv.setupUnknown * uncertain.setupUnknown) +
      square(cv.changes * uncertain.changes) +
      square(cv.rest * uncertain.rest);
  }
  const sd = Math.sqrt(variance);
  const overChance = sd === 0 ? Number(seconds > target) : 1 - normalCdf((target - seconds) / sd);
  return { p10: Math.max(0, seconds - Z90 * sd), p90: seconds + Z90 * sd, overChance };
}

/** A product: the power operator takes ten times as long, four times a block. */
const square = (value: number): number => value * value;

/** Abramowitz & Stegun 26.2.17: error below 7.5e-8. */
function normalCdf(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const poly = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  const tail = (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) * poly;
  return z >= 0 ? 1 - tail : tail;
}
