import type { Condition } from '../caution';
import { aimOf, names, type Wish } from '../mend';
import type { Order } from '../method';
import { type ClassPlan, type RungBlock, type TimedBlock, type TimedClass, timeClass } from '../plan';
import type { Catalog, RungEntry } from '../repertoire';
import { type ClassMeasure, type Limits, measuredUnder, type ReviewContext } from '../review';
import { straysOf } from '../school';
import { heatMinutesOf } from '../series';
import { type Past, strayFrom } from './orders';

/** A block that stands at a place of the class whatever else is in it. */
interface Lock {
  readonly at: number;
  readonly block: RungBlock;
}

/** What may be changed beside which rungs stand in which order. */
interface Freedoms {
  readonly doses: boolean;
  /** Most blocks; as many as fit when unsaid. */
  readonly blocks?: number;
}

/** What a class is looked for with: everything of it but its free blocks. */
export interface Search {
  readonly catalog: Catalog;
  readonly context: ReviewContext;
  readonly conditions: readonly Condition[];
  /** The room's. */
  readonly limits: Limits;
  /** The class without its blocks. */
  readonly frame: ClassPlan;
  readonly order: Order;
  readonly past: Past;
  readonly fit: readonly RungEntry[];
  /** All that may be in it: those, what has to be in it, and what is locked. */
  readonly allowed: ReadonlySet<RungEntry>;
  readonly mustHave: readonly Wish[];
  readonly locks: readonly Lock[];
  /** Keys of the rungs of proposals made already, each. */
  readonly others: ReadonlyArray<ReadonlySet<string>>;
  readonly freedoms: Freedoms;
  /** Heat-minutes it may have at most, where it is a step of a series. */
  readonly mostWork?: number;
}

/** A class as it is tried, and how far it is from what is wanted. */
export interface Tried {
  readonly blocks: readonly RungBlock[];
  readonly measure: ClassMeasure;
  /** The score of the review, and what is added for straying from the brief; lower is better. */
  readonly cost: number;
}

/** What a stray from the order, and a rung done twice, cost: as much as a fix. */
const STRAY = 30;
/** What is missing though it has to be there, or there though it must not be, costs more than any finding of the review. */
const MISSING = 500;
/** What being like a proposal made already costs, and once more for each step of a tenth. */
const ALIKE = 60;
/** What a rung costs for each thing in it that the house does otherwise: one that goes with the house is taken first. */
const OTHER_SCHOOL = 2;
/** What each change of position costs beside its seconds: of two classes that are as good, the calmer one. */
const CHANGE = 0.2;
/** Seconds from its aim that a class may be, and the seconds beyond that cost as much as a look. */
const [NEAR_SECONDS, SECONDS_A_LOOK] = [4, 30];

/** Heat-minutes over the most, as a share of them, that cost as much as a look. */
const WORK_A_LOOK = 0.03;

/** The most rungs that two proposals may share, of those that either has. */
export const MOST_ALIKE = 0.7;

/** The free blocks with the locked ones in their places. */
function composed({ locks }: Search, free: readonly RungBlock[]): RungBlock[] {
  const blocks = [...free];
  for (const { at, block } of locks) blocks.splice(at, 0, block);
  return blocks;
}

/** A class tried: measured by the one review, and held against the brief. */
export const tryOut = (search: Search, blocks: readonly RungBlock[]): Tried =>
  triedUnder(search, blocks, Number.POSITIVE_INFINITY) as Tried;

/**
 * The same; `null` as soon as it is plain that the class costs more than `most`: what it strays from the brief by is
 * known before it is timed, and how far it is from its length before it is reviewed.
 */
export function triedUnder(search: Search, blocks: readonly RungBlock[], most: number): Tried | null {
  const { catalog, context, frame } = search;
  const all = composed(search, blocks);
  let cost = strayingCost(
    search,
    all.map((block) => ({ block, entry: catalog.placed(block) as RungEntry })),
  );
  if (cost > most) return null;
  const timed = timeClass(catalog, { ...frame, blocks: all }, context);
  cost += clockCost(search, timed);
  if (cost > most) return null;
  const measure = measuredUnder(catalog, timed, context, most - cost);
  return measure && { blocks, measure, cost: cost + measure.score.total };
}

/** The score of the review, and what is added for straying from the brief. */
export const costOf = (search: Search, { timed, score }: ClassMeasure): number =>
  score.total + costBeside(search, timed);

/** What is added to the score of the review: for straying from the brief, and for what the clock tells. */
export const costBeside = (search: Search, timed: TimedClass): number =>
  strayingCost(search, timed.blocks) + clockCost(search, timed);

type Placed = Pick<TimedBlock, 'block' | 'entry'>;

/** What straying from the brief costs, as far as the blocks and their order tell. */
function strayingCost(search: Search, placed: readonly Placed[]): number {
  const { order, past, mustHave, allowed, locks, others } = search;
  let cost = STRAY * strayFrom[order]({ blocks: placed }, past);
  const entries = new Set<RungEntry>();
  for (const { entry } of placed) {
    entries.add(entry);
    if (!allowed.has(entry.whole ?? entry)) cost += MISSING;
  }
  cost += STRAY * (placed.length - entries.size);
  if (beginsElsewhere(search, placed)) cost += STRAY;
  cost += OTHER_SCHOOL * straysIn(search, placed);
  for (const { at, block } of locks) if (placed[at]?.block.id !== block.id) cost += MISSING;
  for (const wish of mustHave) if (!placed.some(({ entry }) => names(wish, entry))) cost += MISSING;
  if (others.length > 0) {
    const keys = new Set(placed.map(({ entry }) => entry.key));
    for (const other of others) {
      const beyond = shareOf(keys, other) - MOST_ALIKE;
      if (beyond > 0) cost += ALIKE * (1 + 10 * beyond);
    }
  }
  return cost;
}

/** What the changes of position cost, and being far from the length, or over the work, that is wanted. */
function clockCost({ catalog, freedoms, limits, mostWork }: Search, timed: TimedClass): number {
  let cost = 0;
  for (const { change } of timed.sequence) if (change.places.length > 1) cost += CHANGE;
  if (mostWork !== undefined) {
    const over = heatMinutesOf(catalog, timed) / mostWork - 1;
    if (over > 0) cost += 1 + over / WORK_A_LOOK;
  }
  if (freedoms.doses) {
    const apart = Math.abs(timed.seconds - aimOf(timed, limits));
    cost += Math.max(0, apart - NEAR_SECONDS) / SECONDS_A_LOOK;
  }
  return cost;
}

/** Whether the first block is not where the brief, or the house, would have people begin. */
function beginsElsewhere({ catalog, frame, locks }: Search, [first]: readonly Placed[]): boolean {
  if (frame.openingPosition === undefined || !first || locks[0]?.at === 0) return false;
  return first.entry.like !== catalog.graph.like(frame.openingPosition);
}

/** What of the free blocks goes against the schools of the house. */
function straysIn({ catalog, frame }: Search, placed: readonly Placed[]): number {
  let strays = 0;
  for (const { entry, block } of placed)
    if (!block.locked) strays += straysOf(catalog, entry, catalog.method.choices).length;
  const [first] = placed;
  const onFloor = catalog.method.choices.begin === 'floor' && frame.openingPosition === undefined;
  return onFloor && first?.entry.like === 'standing' ? strays + 1 : strays;
}

/** What two classes share of the rungs that either has, 0 to 1. */
export function shareOf(a: ReadonlySet<string>, b: ReadonlySet<string>): number {
  let both = 0;
  for (const key of a) if (b.has(key)) both += 1;
  const either = a.size + b.size - both;
  return either === 0 ? 0 : both / either;
}
