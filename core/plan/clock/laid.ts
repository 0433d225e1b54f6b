import type { RungEntry } from '../../repertoire/catalog';
import type { Prop } from '../../repertoire/exercise';
import type { Side } from '../../vocabulary/bodies/side';
import type { Interlude, RungBlock } from '../class';
import type { Change } from '../edits/change';
import type { BlockSeconds } from './blockTime';
import type { UncertainSeconds } from './uncertainty';

/** Seconds of work of a block on each side; none for a symmetrical exercise. */
export type WorkOnSides = Readonly<Record<Side, number>>;

interface LaidPart {
  /** The change of position and props on the way into it. */
  readonly change: Change;
  /** Its own seconds, both sides together, without the change before it. */
  readonly seconds: number;
  /** Where people are in it. */
  readonly position: string;
  /** Its seconds, its change among them, by how they vary. */
  readonly uncertain: UncertainSeconds;
}

/**
 * A block among its neighbours, whatever the clock says when it begins: the same object as long as nothing it hangs on
 * is changed, so that what is worked out of it is worked out once.
 */
export interface LaidBlock extends BlockSeconds, LaidPart {
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
  /** The next block belongs to the same run. */
  readonly runsOn: boolean;
  /** It is the first of a run. */
  readonly leadsRun: boolean;
  /** It is only shown. */
  readonly shown: boolean;
  /** The side it starts on; `null` when it has none. */
  readonly firstSide: Side | null;
  /** Seconds of each pass: one, or one a side. */
  readonly passes: readonly number[];
  readonly sides: WorkOnSides;
}

export interface LaidInterlude extends LaidPart {
  readonly kind: 'interlude';
  /** What it needs, of its own. */
  readonly props: readonly Prop[];
  readonly block: Interlude;
  /** What is done in it, where it names a rung. */
  readonly entry: RungEntry | null;
}
