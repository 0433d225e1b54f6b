import { POSITIONS } from '../body';
import { type RungBlock, repsOf, repsRangeOf } from '../plan';
import type { RungEntry } from '../repertoire';
import { type Search, type Tried, triedUnder, tryOut } from './aims';
import { blockOf, draft, placeFor, unmet } from './draft';
import { mainDirection, stageOf } from './orders';
import type { Chance } from './random';

/** How warm the search begins, begins again, and ends: a step that makes a class worse by as much is taken about once in three. */
const [HOT, REHEATED, COLD] = [10, 8, 0.08];
/** The part of the evaluations in which it may still get worse. */
const COOLING = 0.85;

/** Told how many classes were tried; the search ends when it answers `false`. */
export type OnTried = (evaluated: number) => boolean | undefined;
/** How often that is told, in evaluations. */
const TOLD_EVERY = 250;

/**
 * Looks for the class of the least cost by simulated annealing over the neighbourhood of a draft: rungs, places,
 * doses, chains of what is required. The best seen is returned.
 * @param evaluations how many classes are tried
 * @param from a class found before, to go on from less warm; a draft when unsaid
 */
export function anneal(
  search: Search,
  chance: Chance,
  evaluations: number,
  onTried?: OnTried,
  from?: readonly RungBlock[],
): Tried {
  if (search.fit.length > FEW_RUNGS)
    return annealOnce(search, chance, evaluations, (blocks, most) => triedUnder(search, blocks, most), onTried, from);
  // Where there are few classes, several short searches find the best of them more surely than one long one, and none
  // is measured twice.
  const known = new Map<string, Tried>();
  const tried = (blocks: readonly RungBlock[]) => {
    const key = blocks.map(({ exercise, rung, dose }) => `${exercise}/${rung}×${dose?.reps ?? ''}`).join(' ');
    const found = known.get(key) ?? tryOut(search, blocks);
    known.set(key, found);
    return found;
  };
  let best: Tried | undefined;
  for (let i = 0; i < MOST_SHORT_SEARCHES && known.size < evaluations; i++) {
    const found = annealOnce(search, chance, SHORT_SEARCH, tried, () => onTried?.(known.size));
    if (!best || found.cost < best.cost) best = found;
  }
  return best as Tried;
}

/** Rungs to choose from that make few classes; the steps of each search that is then made, and how many there are at most. */
const [FEW_RUNGS, SHORT_SEARCH, MOST_SHORT_SEARCHES] = [12, 900, 24];

function annealOnce(
  search: Search,
  chance: Chance,
  evaluations: number,
  attempt: (blocks: readonly RungBlock[], most: number) => Tried | null,
  onTried?: OnTried,
  from?: readonly RungBlock[],
): Tried {
  const ids = { next: 1 };
  const hot = from ? REHEATED : HOT;
  const first = from?.map((block, i) => ({ ...block, id: `n${i + 1}` })) ?? draft(search, chance);
  let now = attempt(first, Number.POSITIVE_INFINITY) as Tried;
  let best = now;
  for (let evaluated = 1; evaluated < evaluations; evaluated++) {
    if (evaluated % TOLD_EVERY === 0 && onTried?.(evaluated) === false) break;
    const share = evaluated / (COOLING * evaluations);
    const warmth = share < 1 ? hot * (COLD / hot) ** share : 0;
    // Cold, it goes on from the best there was.
    if (share >= 1 && now !== best && now.cost > best.cost) now = best;
    const blocks = stepFrom(search, now, chance, ids);
    if (!blocks) continue;
    // What is worse by so much is taken once in e to the power of its share of the warmth: the die is cast first, so
    // that what costs too much need not be measured to its end.
    const worse = warmth > 0 ? -warmth * Math.log(1 - chance.share()) : 0;
    const next = attempt(blocks, now.cost + worse);
    if (next && next.cost <= now.cost + worse) now = next;
    if (now.cost < best.cost) best = now;
  }
  return best;
}

type Step = (search: Search, blocks: readonly RungBlock[], chance: Chance, id: () => string) => RungBlock[] | null;

/** A class one step from another; `null` where the step leads nowhere. */
function stepFrom(search: Search, { blocks }: Tried, chance: Chance, ids: { next: number }): RungBlock[] | null {
  const steps = search.freedoms.doses ? [...STEPS, redose, redose] : STEPS;
  const made = chance.one(steps)(search, blocks, chance, () => `m${ids.next++}`);
  return made && made.length <= (search.freedoms.blocks ?? 400) - search.locks.length ? made : null;
}

const entryOf = ({ catalog }: Search, block: RungBlock): RungEntry => catalog.rung(block) as RungEntry;

const entriesOf = (search: Search, blocks: readonly RungBlock[]): RungEntry[] =>
  blocks.map((block) => entryOf(search, block));

/** Rungs that are not in the class yet. */
function open(search: Search, blocks: readonly RungBlock[], wanted: (entry: RungEntry) => boolean): RungEntry[] {
  const taken = new Set([...blocks, ...search.locks.map(({ block }) => block)].map((block) => entryOf(search, block)));
  return search.fit.filter((entry) => !taken.has(entry) && wanted(entry));
}

/** Another rung in the place of one: most often in the same position. */
const swap: Step = (search, blocks, chance, id) => {
  if (blocks.length === 0) return null;
  const at = chance.below(blocks.length);
  const now = entryOf(search, blocks[at] as RungBlock);
  const near = chance.share() < 0.75;
  const list = open(search, blocks, (entry) => !near || entry.position === now.position);
  if (list.length === 0) return null;
  return blocks.with(at, blockOf(search, chance.one(list), id()));
};

/** The next rung, or the one before, of the ladder. */
const climb: Step = (search, blocks, chance, id) => {
  if (blocks.length === 0) return null;
  const at = chance.below(blocks.length);
  const now = entryOf(search, blocks[at] as RungBlock);
  const list = open(search, blocks, (entry) => entry.exercise === now.exercise);
  return list.length === 0 ? null : blocks.with(at, blockOf(search, chance.one(list), id()));
};

/** One more, in a position where people are already, or anywhere. */
const insert: Step = (search, blocks, chance, id) => {
  const at = chance.below(blocks.length + 1);
  const near = chance.share() < 0.75;
  const beside = new Set(
    [blocks[at - 1], blocks[at]].flatMap((block) => (block ? entryOf(search, block).position : [])),
  );
  const list = open(search, blocks, ({ position }) => !near || beside.size === 0 || beside.has(position));
  return list.length === 0 ? null : blocks.toSpliced(at, 0, blockOf(search, chance.one(list), id()));
};

/** One more with all it requires before it, each where its position is. */
const insertChain: Step = (search, blocks, chance, id) => {
  const list = open(search, blocks, ({ rung }) => (rung.requires ?? []).length > 0);
  if (list.length === 0) return null;
  const made = [...blocks];
  const entries = entriesOf(search, blocks);
  const add = (entry: RungEntry, depth: number) => {
    if (depth > DEEPEST) return;
    for (const need of unmet(search, entry, entries)) add(need, depth + 1);
    const at = placeFor(entries, entry);
    made.splice(at, 0, blockOf(search, entry, id()));
    entries.splice(at, 0, entry);
  };
  add(chance.one(list), 0);
  return made;
};
/** How long a chain of requirements is followed: longer than any a class can hold. */
const DEEPEST = 8;

/** What a block requires and has not, before it; or the block gone. */
const supply: Step = (search, blocks, chance, id) => {
  const entries = entriesOf(search, blocks);
  const lacking = entries.flatMap((entry, at) => {
    const [need] = unmet(search, entry, entries.slice(0, at));
    return need ? [{ at, need }] : [];
  });
  if (lacking.length === 0) return null;
  const { at, need } = chance.one(lacking);
  if (chance.below(4) === 0) return blocks.toSpliced(at, 1);
  const later = entries.indexOf(need);
  if (later > at) return blocks.toSpliced(later, 1).toSpliced(at, 0, blocks[later] as RungBlock);
  return search.fit.includes(need) ? blocks.toSpliced(at, 0, blockOf(search, need, id())) : blocks.toSpliced(at, 1);
};

const remove: Step = (_search, blocks, chance) =>
  blocks.length < 2 ? null : blocks.toSpliced(chance.below(blocks.length), 1);

/** One of them elsewhere. */
const move: Step = (_search, blocks, chance) => {
  if (blocks.length < 2) return null;
  const from = chance.below(blocks.length);
  const left = blocks.toSpliced(from, 1);
  return left.toSpliced(chance.below(blocks.length), 0, blocks[from] as RungBlock);
};

const exchange: Step = (_search, blocks, chance) => {
  if (blocks.length < 2) return null;
  const [a, b] = [chance.below(blocks.length), chance.below(blocks.length)];
  return a === b ? null : blocks.with(a, blocks[b] as RungBlock).with(b, blocks[a] as RungBlock);
};

/** A whole stay in a position, elsewhere. */
const moveStay: Step = (search, blocks, chance) => {
  if (blocks.length < 3) return null;
  const positionAt = (at: number) => {
    const block = blocks[at];
    return block && entryOf(search, block).position;
  };
  const within = chance.below(blocks.length);
  let [first, end] = [within, within + 1];
  while (first > 0 && positionAt(first - 1) === positionAt(within)) first -= 1;
  while (end < blocks.length && positionAt(end) === positionAt(within)) end += 1;
  const left = blocks.toSpliced(first, end - first);
  return left.toSpliced(chance.below(left.length + 1), 0, ...blocks.slice(first, end));
};

/** A block beside another with the same prop: what is fetched once is used up. */
const gather: Step = (search, blocks, chance) => {
  const entries = entriesOf(search, blocks);
  const propped = blocks.filter((_, i) => (entries[i] as RungEntry).props.length > 0);
  if (propped.length < 2) return null;
  const block = chance.one(propped);
  const [prop] = entryOf(search, block).props;
  const from = blocks.indexOf(block);
  const left = blocks.toSpliced(from, 1);
  const beside = left.flatMap((each, i) => (prop && entryOf(search, each).props.includes(prop) ? [i, i + 1] : []));
  return beside.length === 0 ? null : left.toSpliced(chance.one(beside), 0, block);
};

/** All in the order asked for, what has no say in it as it was. */
const arrange: Step = (search, blocks, chance) => {
  const { order } = search;
  const entries = new Map(blocks.map((block) => [block, entryOf(search, block)]));
  const entry = (block: RungBlock) => entries.get(block) as RungEntry;
  const sorted = (key: (each: RungEntry) => number) => [...blocks].sort((a, b) => key(entry(a)) - key(entry(b)));
  /** Together with the first of its kind. */
  const grouped = (kind: (each: RungEntry) => string) => {
    const kinds = [...new Set(blocks.map((block) => kind(entry(block))))];
    return sorted((each) => kinds.indexOf(kind(each)));
  };
  if (order === 'customary') return sorted((each) => stageOf({ entry: each }));
  const way = chance.below(2) === 0 ? 1 : -1;
  const level = (each: RungEntry) => way * POSITIONS.indexOf(each.like);
  if (order === 'directions') {
    const kind = (each: RungEntry) => mainDirection({ entry: each });
    const groups = grouped(kind);
    if (chance.below(2) === 0) return groups;
    // Down in one direction, up again in the next: as few ways as there can be.
    const kinds = [...new Set(groups.map((block) => kind(entry(block))))];
    const turned = (each: RungEntry) => (kinds.indexOf(kind(each)) % 2 === 0 ? level(each) : -level(each));
    return groups.sort((a, b) => (kind(entry(a)) === kind(entry(b)) ? turned(entry(a)) - turned(entry(b)) : 0));
  }
  if (order === 'layered') {
    const ladders = grouped(({ exercise }) => exercise.id);
    ladders.sort((a, b) => (a.exercise === b.exercise ? entry(a).step - entry(b).step : 0));
    return chance.below(2) === 0 ? ladders : ladders.sort((a, b) => level(entry(a)) - level(entry(b)));
  }
  if (order === 'recap') return null;
  return sorted(level);
};

/** More or fewer repetitions, within the rung's range. */
const redose: Step = (search, blocks, chance) => {
  if (blocks.length === 0) return null;
  const at = chance.below(blocks.length);
  const block = blocks[at] as RungBlock;
  const { rung } = entryOf(search, block);
  const [least, most] = repsRangeOf(rung);
  const now = block.dose?.reps ?? Math.round(repsOf(rung.dose));
  const reps = Math.max(least, Math.min(most, now + (chance.below(2) === 0 ? -1 : 1) * (1 + chance.below(2))));
  return reps === now ? null : blocks.with(at, { ...block, dose: { ...block.dose, reps } });
};

/** A rung first that is done where the class is to begin. */
const begin: Step = (search, blocks, chance, id) => {
  const { frame, catalog } = search;
  if (frame.openingPosition === undefined) return null;
  const like = catalog.graph.like(frame.openingPosition);
  const [first] = blocks;
  if (first && entryOf(search, first).like === like) return null;
  const list = open(search, blocks, (entry) => entry.like === like);
  return list.length === 0 ? null : [blockOf(search, chance.one(list), id()), ...blocks];
};

const STEPS: readonly Step[] = [
  ...[swap, swap, swap, climb, insert, insertChain, remove, begin],
  ...[move, move, exchange, moveStay, gather, arrange, supply],
];
