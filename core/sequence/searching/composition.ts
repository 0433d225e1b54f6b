import { type Block, isInterlude, type RungBlock, repsOf, repsRangeOf } from '../../plan';
import { type Catalog, type RungEntry, rungKey } from '../../repertoire';
import { liesOnSide } from '../../vocabulary/bodies/position';
import type { Search } from '../briefs/aims';
import { goesOn } from '../courses/goingOn';

/** Rungs that belong together: done one after another in one shape, each going on from the one before. */
export interface Group {
  readonly entries: readonly RungEntry[];
  /** Seconds of rest after it. */
  readonly rest?: number;
  /** It is of the idea that the class grows by. */
  readonly thread?: true;
}

/** A class as it is composed: its groups in order. Neighbours in one position make a stay. */
export interface Composition {
  readonly groups: readonly Group[];
  /** How many repetitions each rung has, as a share of its own dose. */
  readonly scale: number;
}

/** More on one side before the other are not remembered on the second. */
const LONGEST_RUN = 8;

export const positionOf = ({ entries }: Group): string => (entries[0] as RungEntry).position;

/** The groups of each stay. */
export function staysOf(groups: readonly Group[]): Group[][] {
  const stays: Group[][] = [];
  for (const group of groups) {
    const last = stays.at(-1);
    if (last && positionOf(last[0] as Group) === positionOf(group)) last.push(group);
    else stays.push([group]);
  }
  return stays;
}

/** A composition as blocks: chains carry on, sides go in runs where the house has them so, what is known flows. */
export function blocksOf(search: Search, { groups, scale }: Composition): RungBlock[] {
  const blocks: RungBlock[] = [];
  const entries: RungEntry[] = [];
  const taught = new Set<RungEntry>();
  for (const [at, { entries: own, rest }] of groups.entries()) {
    // Whoever lies on a side rests when both are done.
    const next = groups[at + 1];
    const onSide = liesOnSide(own[0]?.like) && next !== undefined && positionOf(next) === own[0]?.position;
    own.forEach((entry, i) => {
      const { exercise, rung, key } = entry;
      const before = own[i - 1];
      const reps = repsAt(entry, scale);
      const known = search.known.has(key) || taught.has(entry);
      blocks.push({
        id: `n${blocks.length + 1}`,
        exercise: exercise.id,
        rung: rung.id,
        mode: known ? 'flow' : 'teach',
        ...(reps === null ? {} : { dose: { reps } }),
        ...(before && goesOn(before, entry) ? { carry: true } : {}),
        ...(rest && !onSide && i === own.length - 1 ? { restAfterSeconds: rest } : {}),
      });
      entries.push(entry);
      taught.add(entry);
    });
  }
  return withSides(search.catalog, blocks, entries);
}

/** Repetitions of a rung at a share of its own dose, within its range; `null` where it is its own dose. */
function repsAt({ rung }: RungEntry, scale: number): number | null {
  const own = repsOf(rung.dose);
  const [least, most] = repsRangeOf(rung);
  const reps = Math.max(Math.min(least, own), Math.min(Math.max(most, own), Math.round(own * scale)));
  return reps === own ? null : reps;
}

/** Neighbours done on each side in runs, or beginning on the other side in turn, as the house changes sides. */
function withSides({ method }: Catalog, blocks: RungBlock[], entries: readonly RungEntry[]): RungBlock[] {
  const { sideChange } = method.choices;
  if (sideChange === 'block') return blocks;
  if (sideChange === 'alternate') {
    const other = method.firstSide === 'left' ? 'right' : 'left';
    let count = 0;
    return blocks.map((block, i) =>
      entries[i]?.sides === 'each' ? { ...block, firstSide: count++ % 2 === 0 ? method.firstSide : other } : block,
    );
  }
  const sided = (i: number) => entries[i]?.sides === 'each';
  let runs = 0;
  for (let first = 0; first < blocks.length; ) {
    let end = first + 1;
    while (
      sided(first) &&
      sided(end) &&
      entries[end]?.position === entries[first]?.position &&
      blocks[end - 1]?.restAfterSeconds === undefined
    )
      end += 1;
    const length = end - first;
    if (sided(first) && length > 1) {
      const size = Math.ceil(length / Math.ceil(length / LONGEST_RUN));
      for (let i = first; i < end; i++) {
        const at = Math.floor((i - first) / size);
        if (i === first || (i - first) % size === 0) runs += 1;
        if (Math.min(end, first + (at + 1) * size) - (first + at * size) > 1) {
          blocks[i] = { ...(blocks[i] as RungBlock), run: `run-${runs}` };
        }
      }
    }
    first = end;
  }
  return blocks;
}

/** Blocks of which chains and runs still hold after others came between them. */
export function tidied(catalog: Catalog, blocks: readonly Block[]): Block[] {
  const entryAt = (i: number) => {
    const block = blocks[i];
    return block && !isInterlude(block) ? catalog.rung(block) : undefined;
  };
  const runAt = (i: number) => {
    const block = blocks[i];
    return block && !isInterlude(block) && !block.locked ? block.run : undefined;
  };
  return blocks.map((block, i) => {
    if (isInterlude(block) || block.locked) return block;
    const [before, own] = [entryAt(i - 1), entryAt(i)];
    const { carry, run, ...rest } = block;
    const carries = carry && before && own && goesOn(before, own);
    const inRun = run !== undefined && (runAt(i - 1) === run || runAt(i + 1) === run);
    return { ...rest, ...(carries ? { carry } : {}), ...(inRun ? { run } : {}) };
  });
}

/** Keys of all rungs in a composition. */
export const keysIn = ({ groups }: Composition): string[] =>
  groups.flatMap(({ entries }) =>
    entries.map(({ exercise, rung }) => rungKey({ exercise: exercise.id, rung: rung.id })),
  );
