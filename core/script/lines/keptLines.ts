import type { Choices } from '../../method';
import type { LaidBlock, Slot, TimedBlock } from '../../plan';
import type { Cue } from '../../repertoire';
import type { Guidance } from '../../school';
import type { PassLines } from './line';
import type { Minded } from './safety';

/** One pass through a block. */
export interface BlockPass {
  readonly part: TimedBlock;
  readonly slot: Slot;
  readonly pass: 1 | 2;
}

/** All that the lines of a pass are drafted from, beside the block as it is laid. */
export interface DraftedFrom extends Minded {
  /** What the house says that is new here. */
  readonly news: readonly Guidance[];
  /** Cues of the rung that go against what is chosen here: left out, for the house says it its own way. */
  readonly strays: readonly Cue['id'][];
  /** What is chosen here where good practitioners differ. */
  readonly choices: Choices;
  /** Words of the way out, where people leave the shape and the words are true. */
  readonly out: readonly Cue[];
  /** The image of the ladder has been said in this class. */
  readonly imageSaid: boolean;
  /** Its place in a run: the first block of it, or a later one; `null` outside. */
  readonly inRun: 'first' | 'later' | null;
}

interface Kept {
  readonly from: DraftedFrom;
  readonly lines: PassLines;
}

const kept = new WeakMap<LaidBlock, [Kept | undefined, Kept | undefined]>();

/**
 * The lines of a pass, drafted again only where something of it has changed: a word typed in one block leaves the other
 * thirty-nine as they are, and whoever reads them finds the same objects.
 */
export function keptLines(laid: LaidBlock, pass: 1 | 2, from: DraftedFrom, draft: () => PassLines): PassLines {
  const passes = kept.get(laid) ?? [undefined, undefined];
  kept.set(laid, passes);
  const known = passes[pass - 1];
  if (known && draftedAlike(known.from, from)) return known.lines;
  const lines = draft();
  passes[pass - 1] = { from, lines };
  return lines;
}

const draftedAlike = (a: DraftedFrom, b: DraftedFrom): boolean =>
  a.catalog === b.catalog &&
  a.firstOfLadder === b.firstOfLadder &&
  a.choices === b.choices &&
  a.imageSaid === b.imageSaid &&
  a.inRun === b.inRun &&
  same(a.news, b.news) &&
  same(a.strays, b.strays) &&
  same(a.out, b.out) &&
  same(a.graded, b.graded);

const same = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a === b || (a.length === b.length && a.every((each, i) => each === b[i]));
