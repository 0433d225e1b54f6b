import { mirrored, type PlaceId, type Pose, type Side, sameShape } from '../body';
import type { Method } from '../method';
import type { Catalog, RungEntry } from '../repertoire/catalog';
import type { Prop } from '../repertoire/exercise';
import { formOf } from '../repertoire/form';
import { otherSide } from '../vocabulary/side';
import { type BlockSeconds, blockSeconds, changesSide, type Pacing } from './blockTime';
import { type Change, changeBetween, type Mover } from './change';
import { type Block, type ClassPlan, type Interlude, isInterlude, type RungBlock } from './class';
import type { LaidBlock, LaidInterlude, WorkOnSides } from './laid';

/** All that laying out asks beside the blocks; the same object for the same room. */
export interface Ground {
  readonly catalog: Catalog;
  readonly pacing: Pacing;
  readonly mover: Mover;
  /** The side things begin on where no block says: the class's, else the house's. */
  readonly firstSide: Side;
}

/** Few at a time: looking through them costs less than a key. */
const grounds = new WeakMap<Catalog, Ground[]>();

/** The ground of a class, one object for all that are taught alike. */
export function groundFor(
  catalog: Catalog,
  pacing: Pacing,
  overSide: boolean,
  firstSide: Side = catalog.method.firstSide,
): Ground {
  let own = grounds.get(catalog);
  if (!own) {
    own = [];
    grounds.set(catalog, own);
  }
  for (const ground of own) {
    const alike = ground.firstSide === firstSide && ground.mover.overSide === overSide;
    if (alike && samePacing(ground.pacing, pacing)) return ground;
  }
  const ground: Ground = { catalog, pacing, mover: { pace: pacing.pace, overSide }, firstSide };
  own.push(ground);
  return ground;
}

const samePacing = (a: Pacing, b: Pacing): boolean =>
  a.pace === b.pace && a.tempo === b.tempo && a.wordsPerMinute === b.wordsPerMinute;

/** Where the walk through a class stands: which place, what is in hand, and the last rung block. */
interface Stance {
  readonly place: PlaceId | null;
  readonly props: readonly Prop[];
  /** The last block with a rung and the side its last repetition is done on, and whether nothing has stood between. */
  readonly last: RungEntry | null;
  readonly lastSide: Side | null;
  readonly neighbour: boolean;
}

const sameStance = (a: Stance, b: Stance): boolean =>
  a.place === b.place &&
  a.props === b.props &&
  a.last === b.last &&
  a.lastSide === b.lastSide &&
  a.neighbour === b.neighbour;

/** A block among those before it; what comes after says only whether it is carried on. */
interface Laying {
  readonly block: RungBlock;
  readonly entry: RungEntry;
  readonly change: Change;
  readonly carries: boolean;
  readonly carryLost: boolean;
  readonly runsOn: boolean;
  readonly firstSide: Side | null;
  /** Counted on the last block of a run. */
  readonly sideChange: number;
  readonly setsUpTwice: boolean;
  /** As it is let go, and as it is carried on. */
  readonly laid: [LaidBlock | undefined, LaidBlock | undefined];
}

/** A run laid from a stance, with where it leaves people. */
interface LaidRun {
  readonly laying: readonly Laying[];
  readonly to: Stance;
}

/** What a rung is missing from: nothing can be laid, and who asked says why. */
export class NotLaid extends Error {}

/** A class laid out, with all that the next one can take over from it. */
export interface LaidOut {
  readonly opening: string | undefined;
  readonly blocks: readonly Block[];
  readonly laid: ReadonlyArray<LaidBlock | LaidInterlude>;
  readonly laying: ReadonlyArray<Laying | LaidInterlude>;
  /** Where the walk stands before each run and each interlude, and at the end; inside a run there is none. */
  readonly stances: ReadonlyArray<Stance | undefined>;
}

/**
 * Every part of a class in order, before the clock is asked when it begins.
 * @param known a class laid on the same ground: most often the same with one thing changed, so that this one is laid
 *   from the first change on, until the walk stands where it stood
 * @throws NotLaid when a rung is not in the repertoire, or a run changes position
 */
export function layOut(ground: Ground, plan: ClassPlan, known?: LaidOut): LaidOut {
  const { blocks, openingPosition: opening } = plan;
  const last = known?.opening === opening ? known : undefined;
  const from = last ? firstChange(last, blocks) : 0;
  const tail = last ? sameTail(last, blocks, from) : blocks.length;
  const laying = last ? last.laying.slice(0, from) : [];
  const stances = last ? last.stances.slice(0, from) : [];
  let stance = last?.stances[from] ?? atTheStart(ground, opening);
  for (let first = from; first < blocks.length; ) {
    if (last && first >= tail) {
      const before = first - blocks.length + last.blocks.length;
      const stood = last.stances[before];
      // Where nobody knows yet where people are, what comes later says so.
      if (stood && sameStance(stood, stance) && stance.place !== null) {
        for (let i = before; i < last.blocks.length; i++) {
          laying.push(last.laying[i] as Laying | LaidInterlude);
          stances.push(last.stances[i]);
        }
        stance = last.stances.at(-1) as Stance;
        break;
      }
    }
    stances.push(stance);
    const block = blocks[first] as Block;
    if (isInterlude(block)) {
      const laid = layInterlude(ground, plan, block, first, stance);
      const stays = laid.change.places.at(-1) as PlaceId;
      const place = stance.place === null && block.position === undefined ? null : stays;
      stance = { ...stance, place, neighbour: false };
      laying.push(laid);
      first++;
      continue;
    }
    const end = endOfRun(blocks, first);
    const run = (last && laidBefore(last, blocks, first, end, stance)) ?? layRun(ground, blocks, first, end, stance);
    for (const each of run.laying) {
      if (laying.length > first) stances.push(undefined);
      laying.push(each);
    }
    stance = run.to;
    first = end;
  }
  stances.push(stance);
  return { opening, blocks, laying, stances, laid: closed(ground, laying) };
}
const NONE: readonly Prop[] = [];

const atTheStart = ({ catalog, firstSide }: Ground, opening: string | undefined): Stance => ({
  place: opening === undefined ? null : catalog.graph.placeOn(opening, firstSide),
  props: NONE,
  last: null,
  lastSide: null,
  neighbour: false,
});

/** The first part that has to be laid anew: the head of the run in which the classes first differ. */
function firstChange({ blocks: before, stances }: LaidOut, blocks: readonly Block[]): number {
  const shorter = Math.min(before.length, blocks.length);
  let from = 0;
  while (from < shorter && before[from] === blocks[from]) from++;
  // A run may have become longer or shorter: it is laid from its head.
  while (from > 0 && (stances[from] === undefined || goesOnInRun(blocks, from))) from--;
  return stances[from]?.place === null ? 0 : from;
}

const goesOnInRun = (blocks: readonly Block[], at: number): boolean => {
  const run = runOf(blocks[at]);
  return run !== undefined && runOf(blocks[at - 1]) === run;
};

/** From where on both classes have the same blocks to their ends. */
function sameTail({ blocks: before }: LaidOut, blocks: readonly Block[], from: number): number {
  const shift = before.length - blocks.length;
  let tail = blocks.length;
  while (tail > from && tail + shift > from && before[tail - 1 + shift] === blocks[tail - 1]) tail--;
  return tail;
}

/** Each block as the next one with a rung leaves it: interludes between do not let go. */
function closed(ground: Ground, laying: ReadonlyArray<Laying | LaidInterlude>): Array<LaidBlock | LaidInterlude> {
  const laid = new Array<LaidBlock | LaidInterlude>(laying.length);
  let carried = false;
  for (let i = laying.length - 1; i >= 0; i--) {
    const each = laying[i] as Laying | LaidInterlude;
    if ('kind' in each) {
      laid[i] = each;
      continue;
    }
    const as = carried ? 1 : 0;
    each.laid[as] ??= laidAs(ground, each, carried);
    laid[i] = each.laid[as] as LaidBlock;
    carried = each.carries;
  }
  return laid;
}

/** Past the last of neighbours that share a run; a block by itself is a run of one. */
function endOfRun(blocks: readonly Block[], first: number): number {
  const run = runOf(blocks[first]);
  let end = first + 1;
  while (run !== undefined && runOf(blocks[end]) === run) end++;
  return end;
}
const runOf = (block: Block | undefined): string | undefined =>
  block === undefined || isInterlude(block) ? undefined : block.run;

function layInterlude(ground: Ground, plan: ClassPlan, block: Interlude, index: number, stance: Stance): LaidInterlude {
  const { catalog, pacing, mover, firstSide } = ground;
  const { graph } = catalog;
  const from = stance.place;
  const moves = block.position !== undefined && (from === null || !graph.placesOf(block.position).includes(from));
  // Before anything says where people are, they are where the first part that says so finds them.
  const place = moves ? graph.placeOn(block.position as string, firstSide) : (from ?? firstPlace(ground, plan, index));
  const change = changeBetween(catalog, from ?? place, place, stance.props, stance.props, mover);
  const seconds = interludeSeconds(block, pacing);
  return {
    kind: 'interlude',
    block,
    entry: block.rung === undefined ? null : (catalog.rungByKey(block.rung) ?? null),
    change,
    seconds,
    position: positionAt(place),
    uncertain: { work: 0, setup: 0, changes: change.seconds, rest: seconds },
  };
}

/** The position a place belongs to: lying on either side is one position. */
const positionAt = (place: PlaceId): string => (place.startsWith('side-') ? 'side-lying' : place);

function firstPlace({ catalog, firstSide }: Ground, plan: ClassPlan, from: number): PlaceId {
  for (const block of plan.blocks.slice(from)) {
    const position = isInterlude(block) ? block.position : catalog.exercise(block.exercise)?.position;
    if (position !== undefined) return catalog.graph.placeOn(position, firstSide);
  }
  return 'standing';
}

/** Seconds of an interlude: as given, and a talk at least its words. */
function interludeSeconds({ interlude, seconds, words }: Interlude, { wordsPerMinute }: Pacing): number {
  if (interlude !== 'talk' || !words) return seconds;
  return Math.max(seconds, (wordsIn(words) * 60) / wordsPerMinute);
}

/** Words are runs between spaces that hold a letter or a digit. */
function wordsIn(lines: readonly string[]): number {
  const known = counted.get(lines);
  if (known !== undefined) return known;
  const words = lines.flatMap((line) => line.split(/\s+/)).filter((each) => /[\p{L}\p{N}]/u.test(each)).length;
  counted.set(lines, words);
  return words;
}
const counted = new WeakMap<readonly string[], number>();

/**
 * The run from `first` to `end` as the class before has it, wherever it stood there: blocks are never changed in place,
 * so the same ones from the same stance are laid the same.
 */
function laidBefore(
  { blocks: before, laying, stances }: LaidOut,
  blocks: readonly Block[],
  first: number,
  end: number,
  from: Stance,
): LaidRun | undefined {
  const at = before.indexOf(blocks[first] as Block);
  const stood = stances[at];
  const to = stances[at + end - first];
  if (!stood || !to || !sameStance(stood, from)) return undefined;
  for (let i = first + 1; i < end; i++) if (before[at + i - first] !== blocks[i]) return undefined;
  return { laying: laying.slice(at, at + end - first) as Laying[], to };
}

/** Lays neighbours that share a run, or one block by itself: a run of one. */
function layRun(ground: Ground, blocks: readonly Block[], first: number, end: number, from: Stance): LaidRun {
  const run = blocks.slice(first, end) as RungBlock[];
  const { catalog, mover } = ground;
  const { graph } = catalog;
  const entries = run.map((block) => catalog.placed(block) ?? refuse());
  const head = entries[0] as RungEntry;
  const position = head.exercise.position;
  const firstSide = sideToStart(ground, head, run[0] as RungBlock, from.place);
  const lies = position === 'side-lying';
  const place = lies ? graph.placeOn(position, firstSide ?? sideOf(from.place) ?? ground.firstSide) : position;
  const turns = firstSide !== null && run.some((block, i) => changesSide(entries[i] as RungEntry, block));
  const second = turns ? otherSide(firstSide) : null;
  const secondPlace = second && lies ? graph.placeOn(position, second) : place;
  const sideChange = turns ? sideChangeSeconds(catalog, place, secondPlace, mover) : 0;
  let stance = from;
  const laying = run.map((block, i): Laying => {
    const entry = entries[i] as RungEntry;
    // A run is one-sided throughout; else the file was refused.
    if (i > 0 && entry.exercise.position !== position) refuse();
    const side = entry.exercise.sides === 'both' ? null : firstSide;
    const change = changeBetween(catalog, stance.place ?? place, place, stance.props, entry.props, mover);
    const { carries, carryLost } = carrying(block, entry, side, change, stance);
    const twice = changesSide(entry, block);
    const turnsRound = lies || entry.rung.guided === true;
    const inside = i < run.length - 1;
    // Inside a run the next block follows on the first side; after it, on the second.
    const lastSide = inside ? side : lastSideOf(entry, block, side);
    stance = { place: inside ? place : secondPlace, props: entry.props, last: entry, lastSide, neighbour: true };
    return {
      block,
      entry,
      change,
      carries,
      carryLost,
      runsOn: inside,
      firstSide: side,
      sideChange: inside ? 0 : sideChange,
      setsUpTwice: twice && i === 0 && (block.run !== undefined || turnsRound),
      laid: [undefined, undefined],
    };
  });
  return { laying, to: stance };
}

function refuse(): never {
  throw new NotLaid();
}

function lastSideOf({ exercise }: RungEntry, { side, mode }: RungBlock, firstSide: Side | null): Side | null {
  if (firstSide === null || side !== undefined) return firstSide;
  return mode === 'show' && exercise.sides === 'each' ? firstSide : otherSide(firstSide);
}

/** Whether a block goes on in the last one's shape, as it says or as the poses show. */
function carrying(
  block: RungBlock,
  entry: RungEntry,
  side: Side | null,
  change: Change,
  { last, lastSide, neighbour }: Stance,
): Pick<Laying, 'carries' | 'carryLost'> {
  if (block.carry === false || last === null) return { carries: false, carryLost: block.carry === true };
  const stays =
    change.places.length === 1 &&
    change.taken.length === 0 &&
    change.putAway.length === 0 &&
    last.exercise.position === entry.exercise.position;
  if (block.carry) return { carries: stays, carryLost: !stays };
  return { carries: stays && neighbour && goesOn(last, lastSide, entry, side), carryLost: false };
}

/** Whether a block's starting shape is the one the last block ended in, each on the side it is done on. */
function goesOn(last: RungEntry, lastSide: Side | null, entry: RungEntry, side: Side | null): boolean {
  const [before, after] = [formOf(last.exercise, last.rung, last.like), formOf(entry.exercise, entry.rung, entry.like)];
  if (!before.endPose || !after.startPose) return false;
  const turned = before.drawn !== null && lastSide !== before.drawn;
  const turns = after.drawn !== null && side !== after.drawn;
  return sameShape(turned === turns ? before.endPose : (mirrored(before.endPose) as Pose), after.startPose);
}

const sideOf = (place: PlaceId | null): Side | null =>
  place === 'side-left' ? 'left' : place === 'side-right' ? 'right' : null;

/** Which side begins: the block's own, where people lie already, the class's, the house's. */
function sideToStart(
  ground: Ground,
  { exercise }: RungEntry,
  { side, firstSide }: RungBlock,
  from: PlaceId | null,
): Side | null {
  if (exercise.sides === 'both') return null;
  const lying = exercise.position === 'side-lying' ? sideOf(from) : null;
  return side ?? firstSide ?? lying ?? ground.firstSide;
}

/** Turning over in side-lying is a change of place; elsewhere the method's change of side. */
function sideChangeSeconds(
  { graph, method }: { readonly graph: Catalog['graph']; readonly method: Method },
  from: PlaceId,
  to: PlaceId,
  mover: Mover,
): number {
  if (from === to) return method.sideChangeSeconds;
  return graph.path(from, to, mover.overSide).seconds * mover.pace + method.settleSeconds;
}

function laidAs({ catalog, pacing }: Ground, laying: Laying, carried: boolean): LaidBlock {
  const { block, entry, change, carries, carryLost, runsOn, firstSide, sideChange, setsUpTwice } = laying;
  const time: BlockSeconds = blockSeconds(entry, block, catalog.method, pacing, { carries, carried, setsUpTwice });
  const { setup, work, options, rest, second } = time;
  const both = firstSide !== null && changesSide(entry, block);
  const first = setup + work + options - second.setup - second.work;
  // Written out: a spread into so large an object takes most of the time of a long class.
  return {
    kind: 'block',
    block,
    entry,
    change,
    carries,
    carried,
    carryLost,
    runsOn,
    shown: block.mode === 'show',
    firstSide,
    sideChange,
    seconds: setup + work + options + rest + sideChange,
    position: entry.exercise.position,
    passes: both ? [first, second.setup + second.work + rest] : [first + rest],
    sides: workOnSides(laying, time),
    uncertain: { work, setup: setup + options, changes: change.seconds + sideChange, rest },
    setup,
    work,
    options,
    rest,
    second,
    count: time.count,
    rep: time.rep,
    entrySeconds: time.entrySeconds,
    exitSeconds: time.exitSeconds,
    sets: time.sets,
    reps: time.reps,
    secondReps: time.secondReps,
  };
}

const NEITHER: WorkOnSides = { left: 0, right: 0 };
function workOnSides({ entry, block, firstSide }: Laying, { work, second }: BlockSeconds): WorkOnSides {
  if (firstSide === null) return NEITHER;
  if (entry.exercise.sides === 'alternate' && block.side === undefined) return { left: work / 2, right: work / 2 };
  const first = work - second.work;
  return firstSide === 'left' ? { left: first, right: second.work } : { left: second.work, right: first };
}
