import { DIRECTIONS, type Direction } from '../method';
import { type Block, freeBlockId, type PlanEdit, type RungBlock } from '../plan';
import type { RungEntry } from '../repertoire';
import { ruledOut, unmetBy } from './pool';
import type { Standing } from './standing';
import { type Ground, outcomeOf } from './trial';

/** A rung that might be put into a class at a place. */
export interface Addition {
  readonly entry: RungEntry;
  /** Seconds of changing position that putting it there costs, there and on. */
  readonly moving: number;
  /** What it requires that nothing before it has brought. */
  readonly unmet: readonly RungEntry[];
  /** Directions it brings that the class has too little of. */
  readonly brings: readonly Direction[];
  /** It is done earlier in the class already. */
  readonly again: boolean;
}

export interface Additions {
  /** What the room can do, the best fitting first. */
  readonly fit: readonly Addition[];
  /** What somebody in the room must leave, or what there is nothing at hand for. */
  readonly unfit: ReadonlyArray<{ readonly entry: RungEntry; readonly why: string }>;
}

/** What each mark against a rung counts, in seconds of changing position. */
const [UNMET, AGAIN, ABOVE, JUMP] = [60, 40, 45, 1];
/** What bringing a missing direction is worth. */
const BRINGS = 25;

/**
 * The repertoire in the order in which it fits next: in the position people are in, learnt, bringing what is missing,
 * no hotter than the room can take, without a jump of heat. Nothing is measured for it, so it is quick on thousands.
 * @param at the place among the class's blocks
 */
export function additionsAt({ measure }: Ground, at: number): Additions {
  const { timed, subject } = measure;
  const { catalog, limits } = subject;
  const before = timed.sequence[at - 1];
  const after = timed.sequence[at];
  const here = before?.position ?? timed.plan.openingPosition;
  const way = (from: string | undefined, to: string | undefined) =>
    from === undefined || to === undefined || from === to ? 0 : catalog.graph.secondsBetween(from, to);
  const ways = new Map<string, number>();
  const moving = (position: string) => {
    const known = ways.get(position);
    if (known !== undefined) return known;
    // A class that stands apart already is not the worse for one more way.
    const now = way(here, after?.position);
    const found = way(here, position) + way(position, after?.position) - (Number.isFinite(now) ? now : 0);
    ways.set(position, Math.max(0, found));
    return Math.max(0, found);
  };
  const done = new Set(timed.blocks.filter(({ index }) => index < at).map(({ entry }) => entry));
  const all = new Set(timed.blocks.map(({ entry }) => entry));
  const missing = missingDirections(measure);
  const heatBefore = before?.kind === 'block' ? catalog.heat(before.entry) : 0;
  const fit: Array<Addition & { readonly against: number }> = [];
  const unfit: Array<Additions['unfit'][number]> = [];
  for (const entry of catalog.rungs) {
    const cost = moving(entry.position);
    const why = ruledOut(catalog, entry, subject) ?? (Number.isFinite(cost) ? null : NO_WAY);
    if (why !== null) {
      unfit.push({ entry, why });
      continue;
    }
    const unmet = unmetBy(catalog, entry, done, subject.earlier);
    const brings = entry.exercise.directions.filter((each) => missing.has(each));
    const again = all.has(entry);
    const heat = catalog.heat(entry);
    const against =
      cost +
      unmet.length * UNMET +
      (again ? AGAIN : 0) +
      (heat > limits.homeHeat ? ABOVE : 0) +
      Math.max(0, heat - heatBefore - limits.heatJump) * JUMP -
      brings.length * BRINGS;
    fit.push({ entry, moving: cost, unmet, brings, again, against });
  }
  fit.sort((a, b) => a.against - b.against);
  return { fit, unfit };
}

/** Why a rung is left whose position nothing joins to where people are. */
const NO_WAY = 'No way of moving there is given: see Method, Positions.';

function missingDirections({ raised, timed }: Ground['measure']): ReadonlySet<Direction> {
  if (!raised.some(({ rule }) => rule.code === 'DIRECTION_LOW')) return new Set();
  const all = Object.values(timed.directions).reduce((sum, seconds) => sum + seconds, 0);
  return new Set(DIRECTIONS.filter((direction) => (timed.directions[direction] ?? 0) < LITTLE * all));
}
/** A share of the work under which a direction is told of as missing. */
const LITTLE = 0.06;

/** The edit that puts a rung into a class: taught, or run where it was done before. */
export function additionOf({ measure }: Ground, { entry, again }: Addition, at: number): PlanEdit & { block: Block } {
  const { plan } = measure.timed;
  const { exercise, rung } = entry;
  const block: RungBlock = {
    id: freeBlockId(plan),
    exercise: exercise.id,
    rung: rung.id,
    mode: again ? 'flow' : 'teach',
  };
  return { kind: 'insert', before: plan.blocks[at]?.id ?? null, block };
}

/** How the class would stand with a rung put in; `null` where that would move what is locked. */
export const standingWith = (ground: Ground, addition: Addition, at: number): Standing | null =>
  outcomeOf(ground, [additionOf(ground, addition, at)])?.standing ?? null;
