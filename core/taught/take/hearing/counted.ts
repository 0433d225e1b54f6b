import { type HeardWord, numberOf } from './words';

/** Numbers that belong to one counting, at least. */
const CHAIN = 2;
/** How far the time between two numbers may be off a repetition's, as a factor. */
const [SOONEST, LATEST] = [0.45, 1.9];
/** Repetitions after the last number that was heard, from which one more is counted, and that there may have been time for. */
const [UNSURE, SOONER] = [0.8, 0.4];
/** Numbers missed in a row, at most. */
const MISSED = 3;

interface Said {
  readonly value: number;
  readonly at: number;
}

/**
 * Repetitions counted aloud, up or down, in a stretch of effort; `null` where nothing was counted. Numbers that were not
 * heard are filled in by the time between the others.
 * @param to its end, the way out left aside
 * @param rep seconds of a repetition as planned
 * @param planned how many were
 */
export function repsCounted(
  words: readonly HeardWord[],
  from: number,
  to: number,
  rep: number,
  planned: number,
): number | null {
  const said = words.flatMap(({ text, at }, i): Said[] => {
    const value = at >= from - 0.5 && at < to ? numberOf(text) : null;
    if (value === null) return [];
    // “5 times”, “2 sets of 8” say how many there are to be.
    const next = words[i + 1]?.text;
    const before = words[i - 1]?.text;
    return next === 'times' || next === 'sets' || next === 'more' || before === 'of' || before === 'last'
      ? []
      : [{ value, at }];
  });
  const ending = words.findLast(({ text, at }) => text === 'last' && at > from && at < to);
  const up = chainOf(said, rep, 1);
  const down = chainOf(said, rep, -1);
  const best = up.length >= down.length ? up : down;
  const [first, last] = [best[0], best.at(-1)];
  if (best.length < CHAIN || !first || !last) return null;
  const steps = Math.abs(last.value - first.value);
  const own = (last.at - first.at) / steps;
  // A number is said as its repetition begins: what is left after the last one holds those nobody heard.
  const left = (to - last.at) / own;
  const most = last.value + Math.floor(left + SOONER);
  // Nobody said which was the last one: as many as planned, where there was time for them.
  const likely =
    planned >= last.value && planned <= most ? planned : last.value + Math.floor(Math.max(0, left - UNSURE));
  const after = (ending ? last.value + Math.max(0, Math.round((ending.at - last.at) / own)) : likely) - last.value;
  if (best === up) return last.value + Math.min(after, MISSED);
  const before = Math.max(0, Math.round((first.at - from) / own));
  return first.value + Math.min(before, MISSED);
}

/** The longest row of numbers that count in one direction, each about as long after the last as it should be. */
function chainOf(said: readonly Said[], rep: number, direction: 1 | -1): Said[] {
  const best: Said[][] = [];
  said.forEach((own, i) => {
    let longest: Said[] = [];
    for (let j = 0; j < i; j++) {
      const before = said[j] as Said;
      const step = (own.value - before.value) * direction;
      if (step < 1 || step > MISSED + 1) continue;
      const apart = (own.at - before.at) / (step * rep);
      const chain = best[j] as Said[];
      if (apart >= SOONEST && apart <= LATEST && chain.length > longest.length) longest = chain;
    }
    best.push([...longest, own]);
  });
  return best.reduce<Said[]>((a, b) => (b.length > a.length ? b : a), []);
}
