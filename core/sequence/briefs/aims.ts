import type { BasePosition } from '../../body';
import type { Condition } from '../../caution';
import { aimOf, names, type Wish } from '../../mend';
import type { Order } from '../../method';
import { type ClassPlan, type RungBlock, type TimedBlock, type TimedClass, timeClass } from '../../plan';
import type { Catalog, RungEntry } from '../../repertoire';
import { type ClassMeasure, type Limits, measuredUnder, type ReviewContext } from '../../review';
import { straysOf } from '../../school';
import { heatMinutesOf } from '../../series';
import { isStanding } from '../../vocabulary/bodies/position';
import { blocksOf, type Composition, tidied } from '../searching/composition';
import { type Past, strayFrom } from '../searching/orders';
import { ratherCost } from '../searching/rather';
import { shareOf } from '../searching/shared';

/** A block that stands at a place of the class whatever else is in it. */
interface Lock {
  readonly at: number;
  readonly block: RungBlock;
}

/** What may be changed beside which rungs stand in which order. */
interface Freedoms {
  readonly doses: boolean;
  /** Options are to be offered when it is found: their time comes on top. */
  readonly offers?: boolean;
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
  /** Keys of what people know before the class. */
  readonly known: ReadonlySet<string>;
  /** The heat its peak should have at the most. */
  readonly peakHeat: number;
  /** The ladder it is to grow by, where the brief names one. */
  readonly wantedThread: string | undefined;
  /** Ladders that proposals made already grow by. */
  readonly othersThreads: ReadonlySet<string>;
  /** All that may be in it: those, what has to be in it, and what is locked. */
  readonly allowed: ReadonlySet<RungEntry>;
  readonly mustHave: readonly Wish[];
  readonly locks: readonly Lock[];
  /** Keys of the rungs of proposals made already, each. */
  readonly others: ReadonlyArray<ReadonlySet<string>>;
  readonly freedoms: Freedoms;
  /** What it has to be as a step of a course. */
  readonly course?: CourseStep;
  /** Heat-minutes it may have at most, where it is a step of a series. */
  readonly mostWork?: number;
}

/** What a class is held to as an episode of a course. */
export interface CourseStep {
  /** Keys of the rungs of the episode before; none for the first. */
  readonly before: ReadonlySet<string>;
  readonly goals: ReadonlySet<RungEntry>;
  /** What leads to the goals. */
  readonly way: ReadonlySet<RungEntry>;
  /** Base positions that no episode has had yet. */
  readonly unseen: ReadonlySet<BasePosition>;
}

/** A class as it is tried, and how far it is from what is wanted. */
export interface Tried {
  readonly composition: Composition;
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
function composed({ locks, catalog }: Search, free: readonly RungBlock[]): RungBlock[] {
  if (locks.length === 0) return [...free];
  const blocks = [...free];
  for (const { at, block } of locks) blocks.splice(at, 0, block);
  return tidied(catalog, blocks) as RungBlock[];
}

/** A class tried: measured by the one review, and held against the brief. */
export const tryOut = (search: Search, composition: Composition): Tried =>
  triedUnder(search, composition, Number.POSITIVE_INFINITY) as Tried;

/**
 * The same; `null` as soon as it is plain that the class costs more than `most`: what it strays from the brief by is
 * known before it is timed, and how far it is from its length before it is reviewed.
 */
export function triedUnder(search: Search, composition: Composition, most: number): Tried | null {
  const { catalog, context, frame, limits, freedoms } = search;
  let made = composition;
  let all = composed(search, blocksOf(search, made));
  let cost = strayingCost(
    search,
    all.map((block) => ({ block, entry: catalog.placed(block) as RungEntry })),
  );
  if (cost > most) return null;
  let timed = timeClass(catalog, { ...frame, blocks: all }, context);
  if (freedoms.doses) {
    const apart = aimOf(timed, limits) - timed.seconds;
    const scale = scaledBy(made.scale, apart / Math.max(1, timed.parts.work));
    // Repetitions all over follow the clock: what is composed need not.
    if (Math.abs(apart) > FAR * timed.seconds && scale !== made.scale) {
      made = { ...made, scale };
      all = composed(search, blocksOf(search, made));
      timed = timeClass(catalog, { ...frame, blocks: all }, context);
    }
  }
  cost += clockCost(search, timed);
  if (cost > most) return null;
  const measure = measuredUnder(catalog, timed, context, most - cost);
  if (!measure) return null;
  cost += measure.score.total + ratherCost(search, measure, made.scale);
  return cost > most ? null : { composition: made, blocks: all, measure, cost };
}

/** A length this far from its aim, as a share, is brought nearer by repetitions. */
const FAR = 0.015;
/** Shares of their own doses that rungs are done at, least and most. */
const [LEAST_SCALE, MOST_SCALE] = [0.6, 1.7];
const scaledBy = (scale: number, more: number): number =>
  Math.max(LEAST_SCALE, Math.min(MOST_SCALE, scale * (1 + more)));

/** The score of the review, and what is added for straying from the brief. */
export const costOf = (search: Search, { timed, score }: ClassMeasure): number =>
  score.total + costBeside(search, timed);

/** What is added to the score of the review: for straying from the brief, and for what the clock tells. */
export const costBeside = (search: Search, timed: TimedClass): number =>
  strayingCost(search, timed.blocks) + clockCost(search, timed);

type Placed = Pick<TimedBlock, 'block' | 'entry'>;

/** What straying from the brief costs, as far as the blocks and their order tell. */
function strayingCost(search: Search, placed: readonly Placed[]): number {
  const { order, past, mustHave, allowed, locks, others, catalog } = search;
  let cost = STRAY * strayFrom[order]({ blocks: placed }, past, (entry) => catalog.heat(entry));
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
  return onFloor && first && isStanding(first.entry.like) ? strays + 1 : strays;
}
