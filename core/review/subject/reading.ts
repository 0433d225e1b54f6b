import {
  type Catalog,
  everIn,
  heldInPosition,
  type Preparation,
  preparedBy,
  type RungEntry,
  type RungFeatures,
} from '../../repertoire';
import { TIME_FEATURES, type TimeFeature } from '../../vocabulary/bodies/features';

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

/** What the review reads of a rung, whatever block it stands in: one look-up for all of it. */
export interface RungReading {
  readonly features: RungFeatures;
  readonly heat: number;
  readonly prepares: ReadonlySet<Preparation>;
  /** What holds as its repetitions begin and as they end, and as its way out ends. */
  readonly starts: number;
  readonly ends: number;
  readonly leaves: number;
  /** Of what holds then, what counts half: the head where the hands hold it. */
  readonly startsHalf: number;
  readonly endsHalf: number;
  /** What it loads for any time at all, and what never lets go while it is done over and over. */
  readonly ever: number;
  readonly whole: number;
}

/** A rung as the review reads it; kept with what it is worth. */
export function readingOf(catalog: Catalog, entry: RungEntry): RungReading {
  return catalog.worth(entry).remembered('reading', () => {
    const features = catalog.features(entry);
    return {
      features,
      heat: catalog.heat(entry),
      prepares: preparedBy(catalog, entry),
      starts: bitsOf(features.startHolds),
      ends: bitsOf(features.endHolds),
      leaves: bitsOf(features.leavesHolds),
      startsHalf: features.headHeld.start ? BIT.headLifted : 0,
      endsHalf: features.headHeld.end ? BIT.headLifted : 0,
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
