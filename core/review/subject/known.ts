import { type Caution, peakCautions, rateCautions, rulesFor } from '../../caution';
import { type LaidBlock, optionOf } from '../../plan';
import type { Passing, Preparation, RungEntry, RungRef } from '../../repertoire';
import { repsOnSides } from '../patterns/sides';
import type { Raised } from '../rule';
import { Offer } from './offer';
import { Pass } from './pass';
import { heldThrough, readingOf } from './reading';
import type { Room } from './room';
import type { Step } from './stretches';

/** What was found in a block where it stood. */
interface RaisedIn {
  readonly index: number;
  readonly raised: readonly Raised[];
}

/**
 * What the review knows of a block among its neighbours, wherever the class is when it comes: the same object as long
 * as neither the block nor the room changes.
 */
export class Known {
  readonly room: Room;
  readonly laid: LaidBlock;
  readonly heat: number;
  /** What its peaks ask of the people in the room, each with its rule's place among theirs. */
  readonly peaks: readonly Peak[];
  readonly first: Pass;
  readonly second: Pass | null;
  /** Features that hold on the whole way into it. */
  readonly through: number;
  readonly offers: readonly Offer[];
  /** What its rung requires and wants prepared, and the requirements of the rungs it offers. */
  readonly requires: readonly RungRef[];
  readonly wants: readonly Preparation[];
  readonly offersRequire: boolean;
  /** What it prepares for. */
  readonly prepares: ReadonlySet<Preparation>;
  /** Seconds of bending forward, and whether it releases them. */
  readonly flexion: number;
  readonly releases: boolean;
  /** Whether its sides differ, in seconds or in repetitions. */
  readonly uneven: boolean;
  /** What rules that ask of one block alone found in it, as it was told where it last stood. */
  raised: RaisedIn | undefined;
  /** Its passes as they were last reached. */
  readonly steps: [Step | undefined, Step | undefined] = [undefined, undefined];

  constructor(room: Room, laid: LaidBlock) {
    const { catalog } = room;
    const { entry, entrySeconds, exitSeconds, change, work, firstSide, reps, secondReps, passes } = laid;
    const { directions } = entry.exercise;
    const reading = readingOf(catalog, entry);
    const bends = directions.includes('flexion');
    this.room = room;
    this.laid = laid;
    this.heat = reading.heat;
    this.peaks = peaksOf(room, entry, laid.count, { entry: entrySeconds > 0, exit: exitSeconds > 0 });
    this.first = new Pass(catalog, laid, reading, reps);
    this.second = passes.length > 1 ? new Pass(catalog, laid, reading, secondReps) : null;
    this.through = heldThrough(catalog, change.places);
    this.offers = offersOf(room, laid);
    this.requires = entry.rung.requires ?? [];
    this.wants = entry.rung.preparation ?? [];
    this.offersRequire = this.offers.some((offer) => offer.entry.rung.requires !== undefined);
    this.prepares = reading.prepares;
    this.flexion = bends ? work / directions.length : 0;
    this.uneven = firstSide !== null && isUneven(laid);
    this.releases = !bends && (directions.includes('extension') || directions.includes('neutral'));
  }
}

/** A caution on a peak, by the place of its rule among those of the room. */
export interface Peak {
  readonly place: number;
  readonly value: number;
  /** What it advises those who do this rung. */
  readonly how: string;
}

const placed = new WeakMap<readonly Caution[], readonly Peak[]>();

/** What the peaks of a rung, and how fast it goes, ask of the people in a room. @param count seconds of a count */
export function peaksOf(room: Room, entry: RungEntry, count: number, passing?: Passing): readonly Peak[] {
  const { catalog, graded } = room;
  const cautions = peakCautions(catalog, entry, graded, passing);
  let peaks = placed.get(cautions);
  if (!peaks) {
    peaks = placesOf(room, cautions);
    placed.set(cautions, peaks);
  }
  const fast = rateCautions(catalog, entry, graded, count, passing);
  return fast.length === 0 ? peaks : [...peaks, ...placesOf(room, fast)];
}

function placesOf({ catalog, graded }: Room, cautions: readonly Caution[]): readonly Peak[] {
  const { peak } = rulesFor(catalog.method, graded);
  return cautions.map(({ rule, value, how }) => ({ place: peak.indexOf(rule), value, how }));
}

/** Less than this lies between two sums of the same seconds. */
const SAME = 1e-9;

function isUneven(laid: LaidBlock): boolean {
  const [first, second] = repsOnSides(laid);
  return first !== second || Math.abs(laid.sides.left - laid.sides.right) > SAME;
}

function offersOf(room: Room, home: LaidBlock): readonly Offer[] {
  const { options } = home.block;
  if (!options || options.length === 0) return NONE;
  const offers: Offer[] = [];
  for (const each of options) {
    const option = optionOf(each);
    const entry = room.catalog.rung({ exercise: home.block.exercise, rung: option.rung });
    if (entry) offers.push(new Offer(room, home, option, entry));
  }
  return offers;
}
const NONE: readonly Offer[] = [];
