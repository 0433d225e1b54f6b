import type { Evidence } from '../hearing/evidence';
import type { HeardWord } from '../hearing/words';
import type { Found } from './align';
import { type Laid, within } from './layAlong';

/** What a beginning tells of its set-up, at least. */
export const TELLING = 2;

/**
 * The first word of a set-up. What is said between two pauses belongs to the way while it rather speaks of that, and
 * where somebody goes on speaking from one thing to the next, to what was done before while it speaks of that. Where
 * nothing is said before the effort, it is where the stretch begins.
 */
export function begins({ evidence, found }: Laid, all: readonly HeardWord[], { section, start, work }: Found): number {
  const before = found.findLast((each) => each.section !== section && each.start < start && each.end <= start + 1);
  const spoken = within(all, Math.max(start - BEFORE, before?.work ?? 0), Math.max(work, start + 2));
  const sumOf = (part: 'way' | 'setup', words: readonly HeardWord[]) =>
    words.reduce((all, word) => all + evidence.of(section, part, word), 0);
  let weak: number | null = null;
  for (const burst of burstsIn(spoken)) {
    const [first, last] = [burst[0], burst.at(-1)] as [HeardWord, HeardWord];
    if (last.at < start - 1) continue;
    const own = first.at >= start - 1 ? burst : goesOver(evidence, burst, section, before?.section);
    const sum = sumOf('setup', own);
    const at = own[0]?.at;
    if (at === undefined || sum <= 0 || sum <= sumOf('way', own)) continue;
    if (sum >= TELLING) return at;
    weak ??= at;
  }
  return weak ?? within(all, start, work)[0]?.at ?? start;
}

/** Of what is said without a pause, from where on it speaks of a stretch and no more of the one before. */
function goesOver(
  evidence: Evidence,
  burst: readonly HeardWord[],
  section: number,
  before: number | undefined,
): readonly HeardWord[] {
  let [sum, best, begins] = [0, 0, burst.length];
  for (let i = burst.length - 1; i >= 0; i--) {
    const word = burst[i] as HeardWord;
    const other = before === undefined ? 0 : evidence.of(before, 'work', word);
    sum += evidence.of(section, 'setup', word) - Math.max(other, evidence.of(section, 'way', word));
    if (sum > best) [best, begins] = [sum, i];
  }
  return burst.slice(begins);
}

/** The row of values with the greatest sum, from its first to after its last. */
export function bestRow(
  values: readonly number[],
): { readonly from: number; readonly to: number; readonly sum: number } | null {
  let best: { from: number; to: number; sum: number } | null = null;
  let [from, sum] = [0, 0];
  values.forEach((value, i) => {
    if (sum <= 0) [from, sum] = [i, 0];
    sum += value;
    if (!best || sum > best.sum) best = { from, to: i + 1, sum };
  });
  return best;
}

/** Seconds before a stretch in which its first words are looked for; of silence between two things said. */
const [BEFORE, PAUSE] = [12, 1.5];

/** Words that are said without a pause. */
export function burstsIn(words: readonly HeardWord[]): HeardWord[][] {
  const bursts: HeardWord[][] = [];
  let last = Number.NEGATIVE_INFINITY;
  for (const word of words) {
    if (word.at - last >= PAUSE) bursts.push([]);
    bursts.at(-1)?.push(word);
    last = word.at;
  }
  return bursts;
}
