import { mirrored, type PlaceId, type Pose, type Side, sameShape } from '../body';
import type { Method } from '../method';
import type { Catalog, RungEntry } from '../repertoire/catalog';
import type { Prop } from '../repertoire/exercise';
import { formOf } from '../repertoire/form';
import type { Condition } from '../vocabulary/condition';
import type { Direction } from '../vocabulary/direction';
import { otherSide } from '../vocabulary/side';
import { type BlockSeconds, blockSeconds, changesSide, type Pacing } from './blockTime';
import { type Change, changeBetween, type Mover } from './change';
import { checkClass } from './checkClass';
import { type Audience, type Block, type ClassPlan, type Interlude, isInterlude, type RungBlock } from './class';
import type { Problem } from './problem';
import type { Teacher } from './teacherSchema';
import { runningOver, type TimeRange, type UncertainSeconds } from './uncertainty';

/** Seconds of a class by what they are spent on; they sum to the class. */
export interface TimeParts {
  opening: number;
  /** Second set-ups among them. */
  setup: number;
  work: number;
  sideChanges: number;
  options: number;
  rest: number;
  interludes: number;
  transitions: number;
  closing: number;
}

/** One pass through a block: all of it, or one of its sides. */
export interface Slot {
  readonly side: Side | null;
  readonly startSeconds: number;
  readonly seconds: number;
}

/** What every part of a class has, whether it is a rung or an interlude. */
interface Timed {
  /** Its place in the class, from 0. */
  readonly index: number;
  /** The change of position and props on the way into it. */
  readonly change: Change;
  /** When it begins, from the start of the class. */
  readonly startSeconds: number;
  /** Its own seconds, both sides together, without the change before it. */
  readonly seconds: number;
  /** Where people are in it. */
  readonly position: string;
}

export interface TimedBlock extends BlockSeconds, Timed {
  readonly kind: 'block';
  readonly block: RungBlock;
  readonly entry: RungEntry;
  readonly sideChange: number;
  /** It goes on in the shape the last block ended in. */
  readonly carries: boolean;
  /** The next block goes on in its shape. */
  readonly carried: boolean;
  /** Its `carry: true` cannot hold: another document was changed since. */
  readonly carryLost: boolean;
  /** The side it starts on; `null` when it has none. */
  readonly firstSide: Side | null;
  /** When each side is done; in a run the second side comes after the others' first. */
  readonly slots: readonly Slot[];
}

export interface TimedInterlude extends Timed {
  readonly kind: 'interlude';
  readonly block: Interlude;
  /** What is done in it, where it names a rung. */
  readonly entry: RungEntry | null;
}

export interface TimedClass {
  readonly plan: ClassPlan;
  readonly seconds: number;
  /** The same with every shown block done at its prescribed dose. */
  readonly practiceSeconds: number;
  readonly parts: TimeParts;
  readonly range: TimeRange;
  /** Every part in order: at `sequence[i]` is what became of `plan.blocks[i]`. */
  readonly sequence: ReadonlyArray<TimedBlock | TimedInterlude>;
  readonly blocks: readonly TimedBlock[];
  readonly interludes: readonly TimedInterlude[];
  /** Each part's own seconds, by position. */
  readonly positions: Readonly<Record<string, number>>;
  /** Work shared out among each exercise's directions. */
  readonly directions: Readonly<Partial<Record<Direction, number>>>;
  /** Work on each side; work on both at once counts to neither. */
  readonly sides: Readonly<Record<Side, number>>;
}

/** A class that can't be timed, with every reason. */
export class PlanError extends Error {
  readonly problems: readonly Problem[];
  constructor(problems: readonly Problem[]) {
    super(problems.map(({ message }) => message).join(' '));
    this.name = 'PlanError';
    this.problems = problems;
  }
}

/** Who is in the room, who teaches. */
export interface Taught {
  readonly audience?: Audience | undefined;
  /** Asked for by name: a class's own length is without one. */
  readonly teacher?: Teacher | undefined;
}

/** How fast things go with who is in the room and who teaches. */
export const pacingOf = (method: Method, { audience, teacher }: Taught): Pacing => ({
  pace: audience?.pace ?? 1,
  tempo: (audience?.tempo ?? 1) * (teacher?.tempo ?? 1),
  wordsPerMinute: teacher?.wordsPerMinute ?? method.wordsPerMinute,
});

/** Conditions with which nobody sits straight up from the back. Source: docs/timing.md, "Changing position". */
const OVER_SIDE: ReadonlySet<Condition> = new Set<Condition>([
  'abdominal-separation',
  'pregnancy-first',
  'pregnancy-second',
  'pregnancy-third',
  'low-back-pain',
]);

/** Whether the room gets up from the back by the side. */
export const getsUpOverSide = (plan: Pick<ClassPlan, 'cautions'>, audience?: Audience): boolean =>
  [...(plan.cautions ?? []), ...(audience?.cautions ?? [])].some((condition) => OVER_SIDE.has(condition));

/** Where the walk through a class stands: which place, what is in hand, and the last rung block with its last side. */
interface Stance {
  place: PlaceId | null;
  props: readonly Prop[];
  /** The last block with a rung, and whether nothing has stood between. */
  last: Laid | null;
  neighbour: boolean;
}

/** A part of the class laid out, before any second is counted. */
interface Laid {
  readonly block: RungBlock;
  readonly entry: RungEntry;
  readonly change: Change;
  readonly carries: boolean;
  readonly carryLost: boolean;
  readonly firstSide: Side | null;
  /** The side its last repetition is done on. */
  readonly lastSide: Side | null;
  /** Counted on the last block of a run. */
  readonly sideChange: number;
  /** Places of the first and the second side. */
  readonly setsUpTwice: boolean;
}
interface LaidInterlude {
  readonly block: Interlude;
  readonly change: Change;
  readonly position: string;
}

/**
 * Times a whole class: every block, everything between, the range, and what the time is spent on.
 * The one source of a class's length; the stairs, the script, the review and the exports all read it.
 * @throws PlanError when the class does not fit the repertoire (see `checkClass`)
 */
export function timeClass(catalog: Catalog, plan: ClassPlan, taught: Taught = {}): TimedClass {
  const { audience } = taught;
  const pacing = pacingOf(catalog.method, taught);
  const mover: Mover = { pace: pacing.pace, overSide: getsUpOverSide(plan, audience) };
  const laid = layOut(catalog, plan, mover);
  const timed = onTheClock(catalog, plan, laid, pacing);
  const practiceSeconds = plan.blocks.some((block) => !isInterlude(block) && block.mode === 'show')
    ? timeClass(catalog, practised(plan), taught).seconds
    : timed.seconds;
  return { ...timed, practiceSeconds };
}

/** The class as it is practised: every shown block done. */
const practised = (plan: ClassPlan): ClassPlan => ({
  ...plan,
  blocks: plan.blocks.map((block) =>
    !isInterlude(block) && block.mode === 'show' ? { ...block, mode: 'teach' } : block,
  ),
});

function layOut(catalog: Catalog, plan: ClassPlan, mover: Mover): Array<Laid | LaidInterlude> {
  const stance: Stance = { place: openingPlace(catalog, plan), props: [], last: null, neighbour: false };
  const laid: Array<Laid | LaidInterlude> = [];
  const { blocks } = plan;
  for (let first = 0; first < blocks.length; ) {
    const block = blocks[first] as Block;
    if (isInterlude(block)) {
      laid.push(layInterlude(catalog, plan, block, first, stance, mover));
      first++;
      continue;
    }
    const end = endOfRun(blocks, first);
    layRun(catalog, plan, blocks.slice(first, end) as RungBlock[], stance, mover, laid);
    first = end;
  }
  return laid;
}

/** Where a class begins when it says so; lying on a side, it is the side the class begins with. */
function openingPlace({ graph, method }: Catalog, { openingPosition, firstSide }: ClassPlan): PlaceId | null {
  return openingPosition === undefined ? null : graph.placeOn(openingPosition, firstSide ?? method.firstSide);
}

function endOfRun(blocks: readonly Block[], first: number): number {
  const run = runOf(blocks[first]);
  let end = first + 1;
  while (run !== undefined && runOf(blocks[end]) === run) end++;
  return end;
}
const runOf = (block: Block | undefined): string | undefined =>
  block === undefined || isInterlude(block) ? undefined : block.run;

function layInterlude(
  catalog: Catalog,
  plan: ClassPlan,
  block: Interlude,
  index: number,
  stance: Stance,
  mover: Mover,
): LaidInterlude {
  const { graph, method } = catalog;
  const from = stance.place;
  if (block.position !== undefined && (from === null || !graph.placesOf(block.position).includes(from))) {
    stance.place = graph.placeOn(block.position, plan.firstSide ?? method.firstSide);
  }
  // Before anything says where people are, they are where the first part that says so finds them.
  const place = stance.place ?? firstPlace(catalog, plan, index);
  const change = changeBetween(catalog, from ?? place, place, stance.props, stance.props, mover);
  stance.neighbour = false;
  return { block, change, position: positionAt(place) };
}

/** The position a place belongs to: lying on either side is one position. */
const positionAt = (place: PlaceId): string => (place.startsWith('side-') ? 'side-lying' : place);

function firstPlace(catalog: Catalog, plan: ClassPlan, from: number): PlaceId {
  for (const block of plan.blocks.slice(from)) {
    const position = isInterlude(block) ? block.position : catalog.exercise(block.exercise)?.position;
    if (position !== undefined) return catalog.graph.placeOn(position, plan.firstSide ?? catalog.method.firstSide);
  }
  return 'standing';
}

/** Lays neighbours that share a run, or one block by itself: a run of one. */
function layRun(
  catalog: Catalog,
  plan: ClassPlan,
  run: readonly RungBlock[],
  stance: Stance,
  mover: Mover,
  laid: Array<Laid | LaidInterlude>,
): void {
  const { graph, method } = catalog;
  const entries = run.map((block) => catalog.rung(block) ?? refuse(catalog, plan));
  const head = entries[0] as RungEntry;
  const headBlock = run[0] as RungBlock;
  const position = head.exercise.position;
  const firstSide = sideToStart(catalog, plan, head, headBlock, stance.place);
  const lies = position === 'side-lying';
  const place = lies
    ? graph.placeOn(position, firstSide ?? sideOf(stance.place) ?? plan.firstSide ?? method.firstSide)
    : position;
  const turns = firstSide !== null && run.some((block, i) => changesSide(entries[i] as RungEntry, block));
  const second = turns ? otherSide(firstSide) : null;
  const secondPlace = second && lies ? graph.placeOn(position, second) : place;
  const sideChange = turns ? sideChangeSeconds(catalog, place, secondPlace, mover) : 0;
  run.forEach((block, i) => {
    const entry = entries[i] as RungEntry;
    // A run is one-sided throughout; else the file was refused.
    if (i > 0 && entry.exercise.position !== position) refuse(catalog, plan);
    const side = entry.exercise.sides === 'both' ? null : firstSide;
    const change = changeBetween(catalog, stance.place ?? place, place, stance.props, entry.props, mover);
    const { carries, carryLost } = carrying(block, entry, side, change, stance);
    const twice = changesSide(entry, block);
    const turnsRound = lies || entry.rung.guided === true;
    const own: Laid = {
      block,
      entry,
      change,
      carries,
      carryLost,
      firstSide: side,
      lastSide: lastSideOf(entry, block, side),
      sideChange: i === run.length - 1 ? sideChange : 0,
      setsUpTwice: twice && i === 0 && (block.run !== undefined || turnsRound),
    };
    laid.push(own);
    stance.place = place;
    stance.props = entry.props;
    // Inside a run the next block follows on the first side; after it, on the second.
    stance.last = i < run.length - 1 ? { ...own, lastSide: side } : own;
    stance.neighbour = true;
  });
  stance.place = secondPlace;
}

function refuse(catalog: Catalog, plan: ClassPlan): never {
  throw new PlanError(checkClass(catalog, plan));
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
  { last, neighbour }: Stance,
): Pick<Laid, 'carries' | 'carryLost'> {
  if (block.carry === false || last === null) return { carries: false, carryLost: block.carry === true };
  const stays =
    change.places.length === 1 &&
    change.taken.length === 0 &&
    change.putAway.length === 0 &&
    last.entry.exercise.position === entry.exercise.position;
  if (block.carry) return { carries: stays, carryLost: !stays };
  return { carries: stays && neighbour && goesOn(last, entry, side), carryLost: false };
}

/** Whether a block's starting shape is the one the last block ended in, each on the side it is done on. */
function goesOn({ entry: last, lastSide }: Laid, entry: RungEntry, side: Side | null): boolean {
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
  { method }: Catalog,
  plan: ClassPlan,
  { exercise }: RungEntry,
  { side, firstSide }: RungBlock,
  from: PlaceId | null,
): Side | null {
  if (exercise.sides === 'both') return null;
  const lying = exercise.position === 'side-lying' ? sideOf(from) : null;
  return side ?? firstSide ?? lying ?? plan.firstSide ?? method.firstSide;
}

/** Turning over in side-lying is a change of place; elsewhere the method's change of side. */
function sideChangeSeconds({ graph, method }: Catalog, from: PlaceId, to: PlaceId, mover: Mover): number {
  if (from === to) return method.sideChangeSeconds;
  return graph.path(from, to, mover.overSide).seconds * mover.pace + method.settleSeconds;
}

/** Whether the next block with a rung, interludes aside, goes on in this one's shape. */
function isCarried(laid: ReadonlyArray<Laid | LaidInterlude>, index: number): boolean {
  for (let next = index + 1; next < laid.length; next++) {
    const after = laid[next] as Laid | LaidInterlude;
    if ('entry' in after) return after.carries;
  }
  return false;
}

/** Seconds of an interlude: as given, and a talk at least its words. */
function interludeSeconds({ interlude, seconds, words }: Interlude, { wordsPerMinute }: Pacing): number {
  if (interlude !== 'talk' || !words) return seconds;
  return Math.max(seconds, (wordsIn(words) * 60) / wordsPerMinute);
}

/** Words are runs between spaces that hold a letter or a digit. */
export const wordsIn = (lines: readonly string[]): number =>
  lines.reduce((sum, line) => sum + line.split(/\s+/).filter((each) => /[\p{L}\p{N}]/u.test(each)).length, 0);

function onTheClock(
  catalog: Catalog,
  plan: ClassPlan,
  laid: ReadonlyArray<Laid | LaidInterlude>,
  pacing: Pacing,
): Omit<TimedClass, 'practiceSeconds'> {
  const { method } = catalog;
  const parts: TimeParts = {
    opening: plan.openingSeconds,
    setup: 0,
    work: 0,
    sideChanges: 0,
    options: 0,
    rest: 0,
    interludes: 0,
    transitions: 0,
    closing: plan.closingSeconds,
  };
  const positions: Record<string, number> = {};
  const directions: Partial<Record<Direction, number>> = {};
  const sides = { left: 0, right: 0 };
  const sequence: Array<TimedBlock | TimedInterlude> = [];
  const blocks: TimedBlock[] = [];
  const interludes: TimedInterlude[] = [];
  const uncertain: UncertainSeconds[] = [];
  let clock = plan.openingSeconds;

  const spend = (position: string, seconds: number) => {
    positions[position] = (positions[position] ?? 0) + seconds;
  };

  for (let first = 0; first < laid.length; ) {
    const here = laid[first] as Laid | LaidInterlude;
    clock += here.change.seconds;
    parts.transitions += here.change.seconds;
    if (!('entry' in here)) {
      const seconds = interludeSeconds(here.block, pacing);
      const timed: TimedInterlude = {
        kind: 'interlude',
        index: first,
        block: here.block,
        entry: here.block.rung === undefined ? null : (catalog.rungByKey(here.block.rung) ?? null),
        change: here.change,
        startSeconds: clock,
        seconds,
        position: here.position,
      };
      clock += seconds;
      parts.interludes += seconds;
      spend(timed.position, seconds);
      uncertain.push({ work: 0, setup: 0, changes: here.change.seconds, rest: seconds });
      sequence.push(timed);
      interludes.push(timed);
      first++;
      continue;
    }
    const end = endOfRun(plan.blocks, first);
    const own: BlockSeconds[] = [];
    const firsts: Slot[] = [];
    let turn = 0;
    for (let i = first; i < end; i++) {
      const each = laid[i] as Laid;
      if (i > first) {
        clock += each.change.seconds;
        parts.transitions += each.change.seconds;
      }
      const time = blockSeconds(each.entry, each.block, method, pacing, {
        carries: each.carries,
        carried: isCarried(laid, i),
        setsUpTwice: each.setsUpTwice,
      });
      const both = time.second.work > 0 || changesSide(each.entry, each.block);
      const seconds =
        time.setup + time.work + time.options - time.second.setup - time.second.work + (both ? 0 : time.rest);
      own.push(time);
      firsts.push({ side: each.firstSide, startSeconds: clock, seconds });
      clock += seconds;
      turn = each.sideChange;
    }
    clock += turn;
    for (let i = first; i < end; i++) {
      const each = laid[i] as Laid;
      const time = own[i - first] as BlockSeconds;
      const slot = firsts[i - first] as Slot;
      const slots = [slot];
      if (each.firstSide && changesSide(each.entry, each.block)) {
        const seconds = time.second.setup + time.second.work + time.rest;
        slots.push({ side: otherSide(each.firstSide), startSeconds: clock, seconds });
        clock += seconds;
      }
      const seconds = time.setup + time.work + time.options + time.rest + each.sideChange;
      // Written out: a spread into so large an object takes most of the time of a long class.
      const timed: TimedBlock = {
        kind: 'block',
        index: i,
        block: each.block,
        entry: each.entry,
        change: each.change,
        carries: each.carries,
        carried: isCarried(laid, i),
        carryLost: each.carryLost,
        firstSide: each.firstSide,
        sideChange: each.sideChange,
        startSeconds: slot.startSeconds,
        seconds,
        position: each.entry.exercise.position,
        slots,
        setup: time.setup,
        work: time.work,
        options: time.options,
        rest: time.rest,
        second: time.second,
        count: time.count,
        rep: time.rep,
        entrySeconds: time.entrySeconds,
        exitSeconds: time.exitSeconds,
        sets: time.sets,
        reps: time.reps,
        secondReps: time.secondReps,
      };
      sequence.push(timed);
      blocks.push(timed);
      parts.setup += time.setup;
      parts.work += time.work;
      parts.options += time.options;
      parts.rest += time.rest;
      parts.sideChanges += each.sideChange;
      spend(timed.position, seconds);
      for (const direction of each.entry.exercise.directions) {
        directions[direction] = (directions[direction] ?? 0) + time.work / each.entry.exercise.directions.length;
      }
      const { left, right } = workOnSides(timed);
      sides.left += left;
      sides.right += right;
      uncertain.push({
        work: time.work,
        setup: time.setup + time.options,
        changes: each.change.seconds + each.sideChange,
        rest: time.rest,
      });
    }
    first = end;
  }
  const seconds =
    parts.opening +
    parts.setup +
    parts.work +
    parts.sideChanges +
    parts.options +
    parts.rest +
    parts.interludes +
    parts.transitions +
    parts.closing;
  const range = runningOver(seconds, plan, uncertain, method.uncertainty);
  return { plan, seconds, parts, range, sequence, blocks, interludes, positions, directions, sides };
}

/** Seconds of work of a block on each side; none for a symmetrical exercise. */
export function workOnSides({ entry, block, work, second, firstSide }: TimedBlock): Record<Side, number> {
  if (firstSide === null) return { left: 0, right: 0 };
  if (entry.exercise.sides === 'alternate' && block.side === undefined) return { left: work / 2, right: work / 2 };
  const first = work - second.work;
  return firstSide === 'left' ? { left: first, right: second.work } : { left: second.work, right: first };
}
