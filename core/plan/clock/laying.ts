import type { PlaceId, Side } from '../../body';
import type { RungEntry } from '../../repertoire/catalog';
import type { Prop } from '../../repertoire/exercise';
import type { RungBlock } from '../class';
import type { Change } from '../edits/change';
import type { Ground } from './ground';
import type { LaidBlock } from './laid';

/** Where the walk through a class stands: which place, what is in hand, and the last rung block. */
export interface Stance {
  readonly place: PlaceId | null;
  readonly props: readonly Prop[];
  /** The last block with a rung, and the side its last repetition is done on. */
  readonly last: RungEntry | null;
  readonly lastSide: Side | null;
  /** What has stood since: nothing, one short pause in place, or more, after which nobody goes on in a shape unsaid. */
  readonly since: 'nothing' | 'a pause' | 'more';
}

export const sameStance = (a: Stance, b: Stance): boolean =>
  a.place === b.place && a.props === b.props && a.last === b.last && a.lastSide === b.lastSide && a.since === b.since;

/** A block among those before it; what comes after says only whether it is carried on. */
export interface Laying {
  readonly block: RungBlock;
  readonly entry: RungEntry;
  readonly change: Change;
  readonly carries: boolean;
  readonly carryLost: boolean;
  readonly runsOn: boolean;
  readonly leadsRun: boolean;
  readonly firstSide: Side | null;
  /** Counted on the last block of a run. */
  readonly sideChange: number;
  readonly setsUpTwice: boolean;
  /** As it is let go, and as it is carried on. */
  readonly laid: [LaidBlock | undefined, LaidBlock | undefined];
}

/** A run laid from a stance, with where it leaves people. */
export interface LaidRun {
  readonly laying: readonly Laying[];
  readonly to: Stance;
}

/** What a rung is missing from: nothing can be laid, and who asked says why. */
export class NotLaid extends Error {}

export function refuse(): never {
  throw new NotLaid();
}

const NONE: readonly Prop[] = [];

/** Where people are before the first block, as far as anything says. */
export const atTheStart = ({ catalog, firstSide }: Ground, opening: string | undefined): Stance => ({
  place: opening === undefined ? null : catalog.graph.placeOn(opening, firstSide),
  props: NONE,
  last: null,
  lastSide: null,
  since: 'more',
});
