import type { PlaceId, Side } from '../body';
import type { Direction } from '../method';
import type { Catalog, RungEntry } from '../repertoire/catalog';
import type { Prop } from '../repertoire/exercise';
import { type BlockSeconds, blockSeconds, changesSide } from './blockTime';
import { type Change, changeBetween } from './change';
import { checkClass, type Problem } from './checkClass';
import type { Audience, Block, ClassPlan } from './class';
import { runningOver, type TimeRange, type UncertainSeconds } from './uncertainty';

/** Seconds of a class by what they are spent on; they sum to the class. */
export interface TimeParts {
  opening: number;
  setup: number;
  work: number;
  sideChanges: number;
  options: number;
  rest: number;
  transitions: number;
  closing: number;
}

/** One pass through a block: all of it, or one of its sides. */
export interface Slot {
  readonly side: Side | null;
  readonly startSeconds: number;
  readonly seconds: number;
}

export interface TimedBlock extends BlockSeconds {
  readonly index: number;
  readonly block: Block;
  readonly entry: RungEntry;
  /** The change of position and props on the way into this block. */
  readonly change: Change;
  readonly sideChange: number;
  /** When its first side begins, from the start of the class. */
  readonly startSeconds: number;
  /** Its own seconds, both sides together, without the change before it. */
  readonly seconds: number;
  /** The side it starts on; `null` when it has none. */
  readonly firstSide: Side | null;
  /** When each side is done; in a run the second side comes after the others' first. */
  readonly slots: readonly Slot[];
}

export interface TimedClass {
  readonly plan: ClassPlan;
  readonly seconds: number;
  readonly parts: TimeParts;
  readonly range: TimeRange;
  readonly blocks: readonly TimedBlock[];
  /** Each block's own seconds, by position. */
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

const other = (side: Side): Side => (side === 'left' ? 'right' : 'left');

/** Where a block finds the body and where it leaves it, while the class is walked through. */
interface Standing {
  readonly place: PlaceId | null;
  readonly props: readonly Prop[];
  readonly clock: number;
}

/**
 * Times a whole class: every block, everything between, the range, and what the time is spent on.
 * The one source of a class's length; the stairs, the script, the review and the exports all read it.
 * @throws PlanError when the class does not fit the repertoire (see `checkClass`)
 */
export function timeClass(catalog: Catalog, plan: ClassPlan, audience?: Audience): TimedClass {
  const problems = checkClass(catalog, plan);
  if (problems.length > 0) throw new PlanError(problems);
  const pace = audience?.pace ?? 1;
  const blocks: TimedBlock[] = [];
  let at: Standing = {
    place: plan.openingPosition === undefined ? null : (catalog.graph.placesOf(plan.openingPosition)[0] ?? null),
    props: [],
    clock: plan.openingSeconds,
  };
  for (let first = 0; first < plan.blocks.length; ) {
    const last = endOfRun(plan.blocks, first);
    const timed = timeRun(catalog, plan.blocks.slice(first, last + 1), first, at, pace);
    blocks.push(...timed.blocks);
    at = timed.after;
    first = last + 1;
  }
  const parts = sumParts(plan, blocks);
  const seconds = Object.values(parts).reduce((sum, part) => sum + part, 0);
  const quanta: UncertainSeconds[] = blocks.map((block) => ({
    work: block.work,
    setup: block.setup + block.options,
    changes: block.sideChange + block.change.seconds,
    rest: block.rest,
  }));
  return {
    plan,
    seconds,
    parts,
    range: runningOver(seconds, plan, quanta, catalog.method.uncertainty),
    blocks,
    ...shares(blocks),
  };
}

function endOfRun(blocks: readonly Block[], first: number): number {
  const run = blocks[first]?.run;
  let last = first;
  while (run !== undefined && blocks[last + 1]?.run === run) last++;
  return last;
}

/** Times neighbours that share a run, or one block by itself: a run of one. */
function timeRun(
  catalog: Catalog,
  run: readonly Block[],
  offset: number,
  before: Standing,
  pace: number,
): { blocks: TimedBlock[]; after: Standing } {
  const entries = run.map((block) => mustFind(catalog, block));
  const [head] = entries;
  const [headBlock] = run;
  if (!head || !headBlock) return { blocks: [], after: before };
  const twoSided = changesSide(head, headBlock);
  const firstSide = sideToStart(head, headBlock, before.place);
  const lies = catalog.graph.placesOf(head.exercise.position).length > 1;
  const place = (side: Side | null): PlaceId =>
    lies ? `side-${side ?? sideOf(before.place) ?? 'left'}` : head.exercise.position;

  let { clock } = before;
  let { props } = before;
  const firsts = run.map((block, i) => {
    const entry = entries[i] ?? head;
    const own = blockSeconds(entry, block, catalog.method);
    const from = i === 0 ? (before.place ?? place(firstSide)) : place(firstSide);
    const change = changeBetween(catalog, from, place(firstSide), props, entry.props, pace);
    props = entry.props;
    clock += change.seconds;
    const seconds = own.setup + own.work + own.options - own.second.setup - own.second.work + (twoSided ? 0 : own.rest);
    const slot: Slot = { side: firstSide, startSeconds: clock, seconds };
    clock += seconds;
    return { block, entry, own, change, slot };
  });

  const second = twoSided && firstSide ? other(firstSide) : null;
  const sideChange = second ? sideChangeSeconds(catalog, place(firstSide), place(second), pace) : 0;
  clock += sideChange;
  const blocks = firsts.map(({ block, entry, own, change, slot }, i): TimedBlock => {
    const slots = [slot];
    if (second) {
      const seconds = own.second.setup + own.second.work + own.rest;
      slots.push({ side: second, startSeconds: clock, seconds });
      clock += seconds;
    }
    const turn = i === run.length - 1 ? sideChange : 0;
    // Written out: a spread into so large an object takes most of the time of a long class.
    return {
      setup: own.setup,
      work: own.work,
      options: own.options,
      rest: own.rest,
      second: own.second,
      index: offset + i,
      block,
      entry,
      change,
      sideChange: turn,
      startSeconds: slot.startSeconds,
      seconds: own.setup + own.work + own.options + own.rest + turn,
      firstSide,
      slots,
    };
  });
  return { blocks, after: { place: place(second ?? firstSide), props, clock } };
}

function mustFind(catalog: Catalog, block: Block): RungEntry {
  const entry = catalog.rung(block);
  if (!entry) throw new PlanError([{ path: [], message: `There is no rung “${block.exercise}/${block.rung}”.` }]);
  return entry;
}

const sideOf = (place: PlaceId | null): Side | null =>
  place === 'side-left' ? 'left' : place === 'side-right' ? 'right' : null;

/** Side-lying starts where people already lie; everything else, and side-lying from elsewhere, on the left. */
function sideToStart(entry: RungEntry, block: Block, from: PlaceId | null): Side | null {
  if (block.side) return block.side;
  if (entry.exercise.sides === 'both') return null;
  if (entry.exercise.sides === 'alternate') return 'left';
  return (entry.exercise.position === 'side-lying' ? sideOf(from) : null) ?? 'left';
}

/** Turning over in side-lying is a change of place; elsewhere the method's change of side. */
function sideChangeSeconds(catalog: Catalog, from: PlaceId, to: PlaceId, pace: number): number {
  if (from === to) return catalog.method.sideChangeSeconds;
  return catalog.graph.path(from, to).seconds * pace + catalog.method.settleSeconds;
}

function sumParts(plan: ClassPlan, blocks: readonly TimedBlock[]): TimeParts {
  const sum = (part: (block: TimedBlock) => number) => blocks.reduce((total, block) => total + part(block), 0);
  return {
    opening: plan.openingSeconds,
    setup: sum(({ setup }) => setup),
    work: sum(({ work }) => work),
    sideChanges: sum(({ sideChange }) => sideChange),
    options: sum(({ options }) => options),
    rest: sum(({ rest }) => rest),
    transitions: sum(({ change }) => change.seconds),
    closing: plan.closingSeconds,
  };
}

function shares(blocks: readonly TimedBlock[]): Pick<TimedClass, 'positions' | 'directions' | 'sides'> {
  const positions: Record<string, number> = {};
  const directions: Partial<Record<Direction, number>> = {};
  const sides = { left: 0, right: 0 };
  for (const { entry, block, work, seconds } of blocks) {
    const { position, directions: goes, sides: kind } = entry.exercise;
    positions[position] = (positions[position] ?? 0) + seconds;
    for (const direction of goes) directions[direction] = (directions[direction] ?? 0) + work / goes.length;
    if (kind === 'both') continue;
    if (block.side) sides[block.side] += work;
    else {
      sides.left += work / 2;
      sides.right += work / 2;
    }
  }
  return { positions, directions, sides };
}
