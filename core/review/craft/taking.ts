import { judge } from '../../caution';
import type { Catalog, RungEntry } from '../../repertoire';
import { lackingOf } from '../rules/propRules';
import type { Room } from '../subject/room';

const byHeat = new WeakMap<Catalog, readonly RungEntry[]>();
function hottestFirst(catalog: Catalog): readonly RungEntry[] {
  let known = byHeat.get(catalog);
  if (!known) {
    known = [...catalog.rungs].sort((a, b) => catalog.heat(b) - catalog.heat(a));
    byHeat.set(catalog, known);
  }
  return known;
}

/** Whether a rung needs nothing but what a room has: what its audience has at hand, else a mat and what is small. */
export const isAtHand = (entry: RungEntry, equipment: readonly string[] | undefined): boolean =>
  equipment ? lackingOf(entry, equipment).length === 0 : entry.props.every(({ large }) => !large);

/** Of the hottest rungs the third counts: one or two by themselves would say little of a room. */
const COUNTED = 3;
const taken = new WeakMap<Room, readonly RungEntry[]>();

/**
 * The three hottest rungs that ask nothing of anybody in a room, at most its home heat, with what is at hand; fewer
 * where there are no more.
 */
export function hottestTaken(room: Room): readonly RungEntry[] {
  const known = taken.get(room);
  if (known) return known;
  const { catalog, limits, graded, audience } = room;
  const found: RungEntry[] = [];
  for (const entry of hottestFirst(catalog)) {
    if (catalog.heat(entry) > limits.homeHeat || !isAtHand(entry, audience?.equipment)) continue;
    if (judge(catalog, entry, graded).verdict === 'fine') found.push(entry);
    if (found.length === COUNTED) break;
  }
  taken.set(room, found);
  return found;
}

/** The heat a room can take: that of the last of those rungs; 0 where nothing is fine. */
export function heatTaken(room: Room): number {
  const last = hottestTaken(room).at(-1);
  return last ? room.catalog.heat(last) : 0;
}

/** What a room can take in one position: how many rungs, of how many, and the hottest of each ladder, hottest first. */
export interface TakenInPosition {
  readonly position: string;
  readonly fine: number;
  readonly of: number;
  readonly hottest: readonly RungEntry[];
}

/** The repertoire by position as a room can take it, positions from the highest to the lowest; what has no rung is left out. */
export function takenByPosition(room: Room): TakenInPosition[] {
  const { catalog, limits, graded, audience } = room;
  const positions = new Map(
    catalog.graph.positions.map((id) => [id as string, { of: 0, fine: 0, best: new Map<string, RungEntry>() }]),
  );
  for (const entry of hottestFirst(catalog)) {
    const own = positions.get(entry.exercise.position);
    if (!own) continue;
    own.of += 1;
    if (catalog.heat(entry) > limits.homeHeat || !isAtHand(entry, audience?.equipment)) continue;
    if (judge(catalog, entry, graded).verdict !== 'fine') continue;
    own.fine += 1;
    if (!own.best.has(entry.exercise.id)) own.best.set(entry.exercise.id, entry);
  }
  return [...positions].flatMap(([position, { of, fine, best }]) =>
    of === 0 ? [] : [{ position, fine, of, hottest: [...best.values()] }],
  );
}
