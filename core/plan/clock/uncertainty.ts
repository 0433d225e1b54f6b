import type { Method } from '../../method';

/** The range a class's length falls in, and the chance that it passes its target. */
export interface TimeRange {
  /** Seconds: one class in ten is shorter. */
  readonly p10: number;
  /** Seconds: one class in ten is longer. */
  readonly p90: number;
  /** 0 to 1. */
  readonly overChance: number;
  /** The same with the blocks to give left out; unsaid where the class has none. */
  readonly overIfGiven?: number;
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
  for (const { uncertain } of parts) variance += varianceOf(uncertain, cv);
  const sd = Math.sqrt(variance);
  const overChance = sd === 0 ? Number(seconds > target) : 1 - normalCdf((target - seconds) / sd);
  return { p10: Math.max(0, seconds - Z90 * sd), p90: seconds + Z90 * sd, overChance };
}

/** The range of a class of which only what its parts are spent on is known. */
export function rangeOfParts(
  { opening, closing, parts }: Pick<Lasting, 'opening' | 'closing'> & { readonly parts: readonly UncertainSeconds[] },
  cv: Coefficients,
): Pick<TimeRange, 'p10' | 'p90'> {
  const within = parts.reduce(
    (sum, { work, setup, setupUnknown, changes, rest }) => sum + work + setup + setupUnknown + changes + rest,
    0,
  );
  const lasting = { seconds: opening + within + closing, opening, closing, target: 0 };
  return runningOver(
    lasting,
    parts.map((uncertain) => ({ uncertain })),
    cv,
  );
}

/** What one part's seconds vary by, squared. @param share how much of it counts: the variance of half is a quarter */
function varianceOf(
  { work, setup, setupUnknown, changes, rest }: UncertainSeconds,
  cv: Coefficients,
  share = 1,
): number {
  const all =
    square(cv.work * work) +
    square(cv.setup * setup) +
    square(cv.setupUnknown * setupUnknown) +
    square(cv.changes * changes) +
    square(cv.rest * rest);
  return all * share * share;
}

type Coefficients = Method['uncertainty'];

/** A part of a class on the clock, as far as its beginning varies. */
interface Begun {
  readonly startSeconds: number;
  readonly uncertain: UncertainSeconds;
  /** Seconds of each pass, where it has passes; the second side of a run is done after the others' first. */
  readonly passes?: readonly number[];
  readonly runsOn?: boolean;
}

/**
 * The range each part's beginning falls in: one class in ten begins it earlier, one in ten later. Everything before it
 * varies as in the range of the whole class, and so does the way to it.
 * @param opening seconds of the opening
 */
export function startRanges(
  sequence: readonly Begun[],
  opening: number,
  cv: Coefficients,
): ReadonlyArray<Pick<TimeRange, 'p10' | 'p90'>> {
  let before = square(cv.rest * opening);
  // Inside a run only the first sides have been done.
  let waiting: UncertainSeconds[] = [];
  return sequence.map((part) => {
    const { startSeconds, uncertain, passes = [], runsOn = false } = part;
    const way = square(cv.changes * uncertain.changes);
    const sd = Math.sqrt(before + way + square(cv.teacher * (startSeconds - opening)));
    const inRun = runsOn || waiting.length > 0;
    if (inRun && passes.length > 1) {
      before += varianceOf(uncertain, cv, 0.5);
      waiting.push(uncertain);
    } else before += varianceOf(uncertain, cv);
    if (!runsOn) {
      for (const each of waiting) before += varianceOf(each, cv) - varianceOf(each, cv, 0.5);
      waiting = [];
    }
    return { p10: Math.max(0, startSeconds - Z90 * sd), p90: startSeconds + Z90 * sd };
  });
}

/** How far a class's length hangs on set-ups of which only a guess is known. */
export interface Guessed {
  /** Set-ups of new shapes that have too few words yet, and how many set-ups there are. */
  readonly guesses: number;
  readonly of: number;
  /** Seconds by which nine classes in ten differ at most for it, either way. */
  readonly seconds: number;
}

export function guessedSetups(
  blocks: ReadonlyArray<{
    readonly uncertain: UncertainSeconds;
    readonly setupKnown: boolean;
    readonly carries: boolean;
  }>,
  cv: Coefficients,
): Guessed {
  const guessed = blocks.filter(({ setupKnown }) => !setupKnown);
  const variance = guessed.reduce((sum, { uncertain }) => sum + square(cv.setupUnknown * uncertain.setupUnknown), 0);
  return {
    guesses: guessed.length,
    of: blocks.filter(({ carries }) => !carries).length,
    seconds: Z90 * Math.sqrt(variance),
  };
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
