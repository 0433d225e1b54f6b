import { POSITIONS } from '@warm-ladder/core/body';
import { type Direction, otherSide, type Side } from '@warm-ladder/core/method';
import type { TimedBlock, TimedClass } from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';

/** One tread of the stairs: a pass through a block, in pixels. */
export interface Tread {
  readonly block: number;
  /** The id of the block, which stays the same when blocks move. */
  readonly id: string;
  /** It goes on in the shape the tread before it ended in. */
  readonly carries: boolean;
  /** 0 for its first side, 1 for its second. */
  readonly pass: number;
  readonly x: number;
  readonly width: number;
  readonly y: number;
  readonly heat: number;
  readonly directions: readonly Direction[];
  readonly name: string;
  /** Which side works, the first one first: `R`, `L`, `RL` where they alternate; empty for both at once. */
  readonly sides: string;
  /** It may go when the class runs late, 1 first. */
  readonly give: number | undefined;
}
/** An interlude: a quiet step where people are. */
export interface QuietStep {
  readonly block: number;
  readonly id: string;
  readonly x: number;
  readonly width: number;
  readonly y: number;
  readonly name: string;
}
/** A change between two treads, as wide as the seconds it costs. */
export interface Riser {
  readonly x: number;
  readonly width: number;
  readonly from: number;
  readonly to: number;
}
export interface Stairs {
  readonly treads: readonly Tread[];
  readonly quiet: readonly QuietStep[];
  readonly risers: readonly Riser[];
  /** Pixels of a second. */
  readonly scale: number;
  readonly levels: ReadonlyArray<{ readonly name: string; readonly y: number }>;
}

const LETTERS: Readonly<Record<Side, string>> = { left: 'L', right: 'R' };

function sidesOf({ entry, block }: TimedBlock, side: Side | null): string {
  if (side === null) return '';
  const alternates = entry.sides === 'alternate' && block.side === undefined;
  return LETTERS[side] + (alternates ? LETTERS[otherSide(side)] : '');
}

/** Height of the body from the floor, as a step from 0 (standing) to 7 (supine). */
const levelOf = (like: string): number => (POSITIONS as readonly string[]).indexOf(like);

/**
 * The class laid out as stairs: time across, the body's height from the floor upwards.
 * @param width pixels for `span` seconds
 * @param height pixels from the standing tread to the supine one
 */
export function layStairs(catalog: Catalog, timed: TimedClass, width: number, height: number, span: number): Stairs {
  const scale = span > 0 ? width / span : 0;
  const step = height / (POSITIONS.length - 1);
  const slots = timed.blocks
    .flatMap((block) => block.slots.map((slot, pass) => ({ block, slot, pass })))
    .sort((a, b) => a.slot.startSeconds - b.slot.startSeconds);
  const treads = slots.map(({ block, slot, pass }): Tread => {
    const { entry } = block;
    return {
      block: block.index,
      id: block.block.id,
      carries: block.carries,
      pass,
      x: slot.startSeconds * scale,
      width: slot.seconds * scale,
      y: levelOf(entry.like) * step,
      heat: catalog.heat(entry),
      directions: entry.exercise.directions,
      name: `${entry.exercise.name}, ${entry.rung.name}`,
      sides: sidesOf(block, slot.side),
      give: block.block.give,
    };
  });
  const quiet = timed.interludes.map(
    ({ block, index, startSeconds, seconds, position }): QuietStep => ({
      block: index,
      id: block.id,
      x: startSeconds * scale,
      width: seconds * scale,
      y: levelOf(catalog.graph.like(position)) * step,
      name: block.name,
    }),
  );
  const steps = quiet.length === 0 ? treads : [...treads, ...quiet].sort((a, b) => a.x - b.x);
  const risers = steps.flatMap((tread, i): Riser[] => {
    const before = steps[i - 1];
    const end = before ? before.x + before.width : timed.parts.opening * scale;
    const gap = tread.x - end;
    return gap < 0.01 ? [] : [{ x: end, width: gap, from: before?.y ?? tread.y, to: tread.y }];
  });
  const levels = POSITIONS.flatMap((name, level) =>
    timed.sequence.some(({ position }) => catalog.graph.like(position) === name) ? [{ name, y: level * step }] : [],
  );
  return { treads, quiet, risers, scale, levels };
}
