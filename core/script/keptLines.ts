import type { Graded } from '../caution';
import type { LaidBlock } from '../plan';
import type { Catalog } from '../repertoire';
import type { Guidance } from '../school';
import type { PassLines } from './line';

/** All that the lines of a pass are drafted from, beside the block as it is laid. */
export interface DraftedFrom {
  readonly catalog: Catalog;
  readonly graded: readonly Graded[];
  /** What the house says that is new here. */
  readonly news: readonly Guidance[];
  /** Whether people leave the shape after it. */
  readonly leaves: boolean;
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
  a.catalog === b.catalog && a.leaves === b.leaves && same(a.news, b.news) && same(a.graded, b.graded);

const same = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a === b || (a.length === b.length && a.every((each, i) => each === b[i]));
