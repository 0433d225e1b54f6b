import type { LaidBlock } from '../plan';
import {
  type Catalog,
  type Doing,
  everIn,
  heldInPosition,
  type Run,
  type RungEntry,
  type RungFeatures,
  workRun,
} from '../repertoire';
import { TIME_FEATURES, type TimeFeature } from '../vocabulary/features';

/** A time feature as one bit: what holds in a shape is one number, and so is what holds in two of them. */
export const BIT = Object.fromEntries(TIME_FEATURES.map((feature, place) => [feature, 1 << place])) as Readonly<
  Record<TimeFeature, number>
>;
/** Every feature, and none. */
export const ALL = (1 << TIME_FEATURES.length) - 1;

function bitsOf(features: Iterable<TimeFeature>): number {
  let bits = 0;
  for (const feature of features) bits |= BIT[feature];
  return bits;
}

/** What a rung loads, as bits. */
interface RungBits {
  readonly starts: number;
  readonly ends: number;
  readonly leaves: number;
  /** What it loads for any time at all, and what never lets go while it is done over and over. */
  readonly ever: number;
  readonly whole: number;
}

/** What a rung loads; kept with what it is worth. */
export function bitsOfRung(catalog: Catalog, entry: RungEntry): RungBits {
  return catalog.worth(entry).remembered('bits', () => {
    const features = catalog.features(entry);
    return {
      starts: bitsOf(features.startHolds),
      ends: bitsOf(features.endHolds),
      leaves: bitsOf(features.leavesHolds),
      ever: bitsOf(TIME_FEATURES.filter((feature) => everIn(features, feature))),
      whole: bitsOf(TIME_FEATURES.filter((feature) => features.rep.runs[feature].whole)),
    };
  });
}

/** What holds while people wait in a position. */
export const bitsOfPosition = ({ graph, method }: Catalog, position: string): number =>
  bitsOf(heldInPosition(graph.like(position), method));

/** What every place gone through loads; nobody moving, nothing lets go. */
export function heldThrough(catalog: Catalog, places: readonly string[]): number {
  if (places.length === 1) return ALL;
  return places.reduce(
    (bits, place) => bits & bitsOfPosition(catalog, place.startsWith('side-') ? 'side-lying' : place),
    ALL,
  );
}

/** One pass of a block as time features see it, whenever it is done. */
export class Pass {
  /** Features that hold as the work begins, as it ends, and at all. */
  readonly begins: number;
  readonly leaves: number;
  readonly ever: number;
  readonly #features: RungFeatures;
  readonly #doing: Doing;
  readonly #runs: Partial<Record<TimeFeature, Run>> = {};

  constructor(catalog: Catalog, { entry, block, entrySeconds, exitSeconds, sets, count }: LaidBlock, reps: number) {
    const bits = bitsOfRung(catalog, entry);
    const enters = entrySeconds > 0;
    const exits = exitSeconds > 0;
    const alternates = entry.exercise.sides === 'alternate' && block.side === undefined;
    this.#features = catalog.features(entry);
    this.#doing = {
      entry: enters,
      exit: exits,
      sets,
      reps: alternates && block.mode !== 'show' ? reps * 2 : reps,
      count,
      restSeconds: catalog.method.restBetweenSetsSeconds,
    };
    this.begins = enters ? bitsOf(heldInPosition(entry.like, catalog.method)) : bits.starts;
    this.leaves = exits ? bits.leaves : bits.ends;
    this.ever = bits.ever;
  }

  /** How a feature runs through its work, in seconds. */
  run(feature: TimeFeature): Run {
    const known = this.#runs[feature];
    if (known) return known;
    const run = workRun(this.#features, feature, this.#doing);
    this.#runs[feature] = run;
    return run;
  }
}
