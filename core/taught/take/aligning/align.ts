import type { ScriptSection } from '../../../script';
import type { Evidence, Part } from '../hearing/evidence';
import { PARTS } from '../hearing/evidence';
import type { HeardWord } from '../hearing/words';

/** A stretch of the class where it was found: seconds. */
export interface Found {
  /** Of the script. */
  readonly section: number;
  /** When people were there: the first word of its set-up. */
  readonly start: number;
  /** When its effort began, and ended. */
  readonly work: number;
  readonly end: number;
  /** How much its words speak for it, as a logarithm. */
  readonly evidence: number;
}

/** A time in which something else was said than is planned. */
export interface Else {
  readonly from: number;
  readonly to: number;
}

export interface Alignment {
  readonly found: readonly Found[];
  readonly elsewhere: readonly Else[];
}

/** Seconds of a step. */
const STEP = 1;
/** What leaving out a stretch costs, and the second side of one; what beginning something unplanned costs, and each second of it. */
const [SKIP, SKIP_SIDE, ELSE, ELSE_SECOND] = [3.5, 7, 9, 0.02];
/** How far a part's seconds vary from what is planned, as a spread of logarithms; seconds that a part of no length may have. */
const SPREAD: Readonly<Record<Part, number>> = { way: 0.6, setup: 0.5, work: 0.22 };
const NOTHING = 3;
/** A part is at most so many times as long as planned, and so many seconds besides. */
const LONGEST: Readonly<Record<Part, readonly [number, number]>> = { way: [3, 20], setup: [3, 20], work: [1.8, 12] };

/** Planned seconds of the parts of a stretch. */
export type PlannedParts = Readonly<Record<Part, number>>;

/**
 * Captions laid along a class, all of it at once: every stretch is done in its order or left out, and what fits none of
 * them stands between. The likeliest of all ways by words (how rare each is in the class) and by time.
 * @param tells what words tell of each part of each stretch (see `sumsOf`)
 * @param pace how many times as long everything takes as planned
 * @param left stretches that were left out for sure
 */
export function align(
  sections: readonly ScriptSection[],
  planned: readonly PlannedParts[],
  tells: ReadonlyArray<readonly Float64Array[]>,
  pace: number,
  left: ReadonlySet<number> = new Set(),
): Alignment {
  const size = tells[0]?.[0]?.length ?? 1;
  const steps = size - 1;
  const floor = Number.NEGATIVE_INFINITY;
  // Where a stretch may begin: after the one before, or with some left out.
  let open = new Float64Array(size).fill(floor);
  open[0] = 0;
  let from = new Int16Array(size).fill(-1);
  const trace: Trace[] = [];
  for (let s = 0; s < sections.length; s++) {
    const own = planned[s] as PlannedParts;
    const sums = tells[s] as readonly Float64Array[];
    const [begin, other] = withElse(open, s > 0);
    const way = extend(begin, sums[0] as Float64Array, own.way * pace, 'way');
    const setup = extend(way.best, sums[1] as Float64Array, own.setup * pace, 'setup');
    const work = extend(setup.best, sums[2] as Float64Array, own.work * pace, 'work');
    trace.push({ from, other, way: way.length, setup: setup.length, work: work.length, sums });
    const isLeft = left.has(s);
    const cost = isLeft ? 0 : (sections[s] as ScriptSection).pass === 2 ? SKIP_SIDE : SKIP;
    const next = new Float64Array(size);
    const source = new Int16Array(size);
    for (let t = 0; t < size; t++) {
      const done = work.best[t] as number;
      const skipped = (open[t] as number) - cost;
      const takes = done >= skipped && !isLeft;
      next[t] = takes ? done : skipped;
      source[t] = takes ? s : (from[t] as number);
    }
    open = next;
    from = source;
  }
  return traced(trace, from, steps);
}

interface Trace {
  /** The last stretch done before it, for each second it may begin at. */
  readonly from: Int16Array;
  /** Seconds of something else before it. */
  readonly other: Int32Array;
  readonly way: Int16Array;
  readonly setup: Int16Array;
  readonly work: Int16Array;
  readonly sums: readonly Float64Array[];
}

/** What words tell of each part of each stretch, summed up to each second: the same whatever the pace. */
export function sumsOf(
  sections: readonly ScriptSection[],
  words: readonly HeardWord[],
  evidence: Evidence,
  seconds: number,
): Float64Array[][] {
  const steps = Math.ceil(seconds / STEP) + 1;
  return sections.map((_, s) => PARTS.map((part) => summed(words, steps, (word) => evidence.of(s, part, word))));
}

function summed(words: readonly HeardWord[], steps: number, of: (word: HeardWord) => number): Float64Array {
  const sums = new Float64Array(steps + 1);
  for (const word of words) {
    const at = Math.min(steps, Math.floor(word.at / STEP) + 1);
    sums[at] = (sums[at] as number) + of(word);
  }
  for (let t = 1; t <= steps; t++) sums[t] = (sums[t] as number) + (sums[t - 1] as number);
  return sums;
}

/** The same beginnings, and those after something else was said for a while. */
function withElse(open: Float64Array, may: boolean): [Float64Array, Int32Array] {
  const best = Float64Array.from(open);
  const length = new Int32Array(open.length);
  if (!may) return [best, length];
  let [running, since] = [Number.NEGATIVE_INFINITY, 0];
  for (let t = 0; t < open.length; t++) {
    const begun = (open[t] as number) - ELSE;
    running -= ELSE_SECOND * STEP;
    if (begun > running) [running, since] = [begun, t];
    if (running > (best[t] as number)) {
      best[t] = running;
      length[t] = t - since;
    }
  }
  return [best, length];
}

/** The best ends of a part, from where it may begin. */
function extend(begin: Float64Array, sums: Float64Array, expected: number, part: Part) {
  const size = begin.length;
  const best = new Float64Array(size).fill(Number.NEGATIVE_INFINITY);
  const length = new Int16Array(size);
  const [times, more] = LONGEST[part];
  const most = Math.min(size - 1, Math.ceil((expected * times + more) / STEP));
  const costs = Array.from({ length: most + 1 }, (_, d) => lengthCost(d * STEP, expected, part));
  for (let t = 0; t < size; t++) {
    const here = sums[t] as number;
    let top = Number.NEGATIVE_INFINITY;
    let chosen = 0;
    const longest = Math.min(most, t);
    for (let d = 0; d <= longest; d++) {
      const value = (begin[t - d] as number) - (sums[t - d] as number) - (costs[d] as number);
      if (value > top) {
        top = value;
        chosen = d;
      }
    }
    best[t] = top + here;
    length[t] = chosen;
  }
  return { best, length };
}

/** What it costs that a part lasts so long. */
function lengthCost(seconds: number, expected: number, part: Part): number {
  if (expected < NOTHING) return seconds / NOTHING;
  const apart = Math.log(Math.max(0.5, seconds) / expected) / SPREAD[part];
  return 0.5 * apart * apart;
}

/** Back along the best way. */
function traced(trace: readonly Trace[], last: Int16Array, steps: number): Alignment {
  const found: Found[] = [];
  const elsewhere: Else[] = [];
  let t = steps;
  let s = last[t] as number;
  while (s >= 0) {
    const { from, other, way, setup, work, sums } = trace[s] as Trace;
    const end = t;
    const worked = end - (work[end] as number);
    const start = worked - (setup[worked] as number);
    const leaves = start - (way[start] as number);
    const evidence =
      (sums[2]?.[end] as number) -
      (sums[2]?.[worked] as number) +
      (sums[1]?.[worked] as number) -
      (sums[1]?.[start] as number);
    found.push({ section: s, start: start * STEP, work: worked * STEP, end: end * STEP, evidence });
    const begun = leaves - (other[leaves] as number);
    if (begun < leaves) elsewhere.push({ from: begun * STEP, to: leaves * STEP });
    t = begun;
    s = from[t] as number;
  }
  return { found: found.reverse(), elsewhere: elsewhere.reverse() };
}
