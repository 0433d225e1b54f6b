import { type BasePosition, liesOnBack, liesOnSide, POSITIONS } from '../vocabulary/bodies/position';
import type { Side } from '../vocabulary/bodies/side';
import type { StudioPosition } from './positionSchema';

export { type BasePosition, POSITIONS } from '../vocabulary/bodies/position';
export type { StudioPosition } from './positionSchema';

/** Side-lying is two places in the graph; every other position is one. */
export type PlaceId = string;

const EDGES: ReadonlyArray<readonly [PlaceId, PlaceId, number]> = [
  ['standing', 'kneeling', 6],
  ['kneeling', 'four-point', 4],
  ['kneeling', 'seated', 6],
  ['standing', 'seated', 9],
  ['supine', 'side-left', 4],
  ['seated', 'supine', 6],
  ['seated', 'side-left', 6],
  ['seated', 'side-right', 6],
  ['seated', 'four-point', 6],
  ['supine', 'side-right', 4],
  ['side-left', 'prone', 5],
  ['side-right', 'prone', 5],
  ['prone', 'four-point', 5],
  ['four-point', 'plank', 3],
  ['prone', 'plank', 4],
];

export interface Path {
  /** Seconds along the edges, before pace and settling. `Infinity` when nothing joins the two places. */
  readonly seconds: number;
  /** Every place passed, both ends included. */
  readonly places: readonly PlaceId[];
}

/**
 * The graph of positions with its shortest paths (Dijkstra; the graph has a dozen nodes).
 * Edges cost the same both ways. Source of the seconds: docs/method.md, "Changing position".
 */
export class PositionGraph {
  readonly #edges = new Map<PlaceId, Map<PlaceId, number>>();
  readonly #paths = new Map<PlaceId, Map<PlaceId, Path>>();
  readonly #overSide = new Map<PlaceId, Map<PlaceId, Path>>();
  readonly #like = new Map<string, BasePosition>(POSITIONS.map((position) => [position, position]));
  readonly #names = new Map<string, string>();

  /**
   * @param added positions of the studio's own, each naming its edges
   * @param edgeSeconds edges of the method that replace or add to the defaults, keyed `"standing>kneeling"`
   */
  constructor(added: readonly StudioPosition[] = [], edgeSeconds: Readonly<Record<string, number>> = {}) {
    for (const [from, to, seconds] of EDGES) this.#join(from, to, seconds);
    for (const { id, name, like, edges } of added) {
      this.#like.set(id, like);
      this.#names.set(id, name);
      for (const [neighbour, seconds] of Object.entries(edges)) {
        for (const place of this.placesOf(neighbour)) this.#join(id, place, seconds);
      }
    }
    for (const [edge, seconds] of Object.entries(edgeSeconds)) {
      const [from = '', to = ''] = edge.split('>');
      this.#join(from, to, seconds);
    }
  }

  #join(from: PlaceId, to: PlaceId, seconds: number) {
    for (const [a, b] of [
      [from, to],
      [to, from],
    ] as const) {
      const neighbours = this.#edges.get(a) ?? new Map<PlaceId, number>();
      neighbours.set(b, seconds);
      this.#edges.set(a, neighbours);
    }
  }

  /** Every edge once: from, to, and its seconds either way. */
  get edges(): ReadonlyArray<readonly [PlaceId, PlaceId, number]> {
    const seen = new Set<PlaceId>();
    return [...this.#edges].flatMap(([from, row]) => {
      seen.add(from);
      return [...row].flatMap(([to, seconds]) => (seen.has(to) ? [] : [[from, to, seconds] as const]));
    });
  }

  has(position: string): boolean {
    return this.#like.has(position);
  }

  /** Whether it is one of the eight, on a plain floor, and not one the studio added. */
  isBase(position: string): boolean {
    return (POSITIONS as readonly string[]).includes(position);
  }

  /** Every position of this studio, the eight first. */
  get positions(): string[] {
    return [...this.#like.keys()];
  }

  /** The one of the eight a position is drawn and measured as. */
  like(position: string): BasePosition {
    return this.#like.get(position) ?? 'standing';
  }

  /** What the position is called: the studio's own name, or the plain word. */
  name(position: string): string {
    return this.#names.get(position) ?? position;
  }

  /** The places a position stands for: two for side-lying, left first; itself for any other. */
  placesOf(position: string): PlaceId[] {
    return liesOnSide(position) ? ['side-left', 'side-right'] : [position];
  }

  /** The place a position is when one lies on a side; other positions have one place. */
  placeOn(position: string, side: Side): PlaceId {
    return liesOnSide(position) ? `side-${side}` : position;
  }

  /**
   * The shortest way from one place to another.
   * @param overSide from the back nobody sits straight up: everything higher is reached by rolling to the side
   */
  path(from: PlaceId, to: PlaceId, overSide = false): Path {
    const known = overSide ? this.#overSide : this.#paths;
    let row = known.get(from);
    if (!row) {
      row = new Map();
      known.set(from, row);
    }
    const path = row.get(to) ?? this.#shortest(from, to, overSide);
    row.set(to, path);
    return path;
  }

  /**
   * Seconds of the shortest way between two positions, whichever side one lies on; `Infinity` when nothing joins them.
   */
  secondsBetween(from: string, to: string): number {
    const ways = this.placesOf(from).flatMap((a) => this.placesOf(to).map((b) => this.path(a, b).seconds));
    return Math.min(...ways);
  }

  /** Whether a step leads straight up from the back, and not by the side. */
  #sitsUp(from: PlaceId, to: PlaceId): boolean {
    return liesOnBack(from) && !this.placesOf('side-lying').includes(to) && !liesOnBack(this.like(to));
  }

  #shortest(from: PlaceId, to: PlaceId, overSide: boolean): Path {
    const best = new Map<PlaceId, { seconds: number; via: PlaceId | null }>([[from, { seconds: 0, via: null }]]);
    const open = new Set([from]);
    while (open.size > 0) {
      const here = [...open].reduce((a, b) => ((best.get(a)?.seconds ?? 0) <= (best.get(b)?.seconds ?? 0) ? a : b));
      open.delete(here);
      if (here === to) break;
      const sofar = best.get(here)?.seconds ?? 0;
      for (const [next, seconds] of this.#edges.get(here) ?? []) {
        if (overSide && this.#sitsUp(here, next)) continue;
        if (sofar + seconds < (best.get(next)?.seconds ?? Number.POSITIVE_INFINITY)) {
          best.set(next, { seconds: sofar + seconds, via: here });
          open.add(next);
        }
      }
    }
    const end = best.get(to);
    if (!end) return { seconds: Number.POSITIVE_INFINITY, places: [from, to] };
    const places: PlaceId[] = [];
    for (let at: PlaceId | null = to; at !== null; at = best.get(at)?.via ?? null) places.unshift(at);
    return { seconds: end.seconds, places };
  }
}
