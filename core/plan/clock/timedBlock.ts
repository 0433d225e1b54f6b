import type { Side } from '../../body';
import type { Prop } from '../../repertoire/exercise';
import { otherSide } from '../../vocabulary/bodies/side';
import type { LaidBlock, LaidInterlude } from './laid';

/** One pass through a block: all of it, or one of its sides. */
export interface Slot {
  readonly side: Side | null;
  readonly startSeconds: number;
  readonly seconds: number;
}

/** Where a part stands in its class. */
interface Placed {
  /** Its place in the class, from 0. */
  readonly index: number;
  /** When it begins, from the start of the class. */
  readonly startSeconds: number;
}

/** Props that a part of a class needs: its rung's, and an interlude's own. */
export const propsNeeded = (part: TimedBlock | TimedInterlude): readonly Prop[] =>
  part.kind === 'block' ? part.entry.props : [...part.props, ...(part.entry?.props ?? [])];

export interface TimedInterlude extends LaidInterlude, Placed {
  readonly laid: LaidInterlude;
}

/**
 * A block with its times. It reads what it is from where it is laid, for copying all of it, at every step of a search,
 * takes longer than all the rest of timing.
 */
export class TimedBlock implements LaidBlock, Placed {
  /** The block as it is laid among its neighbours, wherever it begins. */
  readonly laid: LaidBlock;
  readonly index: number;
  readonly startSeconds: number;
  readonly #secondStart: number;

  /** @param secondStart when its second side begins, where it has one */
  constructor(laid: LaidBlock, index: number, startSeconds: number, secondStart: number) {
    this.laid = laid;
    this.index = index;
    this.startSeconds = startSeconds;
    this.#secondStart = secondStart;
  }

  /** Whether it is this block at these times. */
  stands(laid: LaidBlock, startSeconds: number, secondStart: number): boolean {
    return this.laid === laid && this.startSeconds === startSeconds && this.#secondStart === secondStart;
  }

  get kind(): 'block' {
    return 'block';
  }

  /** When each side is done; in a run the second side comes after the others' first. */
  get slots(): readonly Slot[] {
    const { firstSide, passes } = this.laid;
    const first: Slot = { side: firstSide, startSeconds: this.startSeconds, seconds: passes[0] as number };
    const seconds = passes[1];
    if (seconds === undefined || firstSide === null) return [first];
    return [first, { side: otherSide(firstSide), startSeconds: this.#secondStart, seconds }];
  }

  /** When its last pass ends. */
  get endSeconds(): number {
    const { passes } = this.laid;
    return passes.length > 1 ? this.#secondStart + (passes[1] as number) : this.startSeconds + (passes[0] as number);
  }

  get block(): LaidBlock['block'] {
    return this.laid.block;
  }

  get entry(): LaidBlock['entry'] {
    return this.laid.entry;
  }

  get change(): LaidBlock['change'] {
    return this.laid.change;
  }

  get carries(): LaidBlock['carries'] {
    return this.laid.carries;
  }

  get carried(): LaidBlock['carried'] {
    return this.laid.carried;
  }

  get carryLost(): LaidBlock['carryLost'] {
    return this.laid.carryLost;
  }

  get firstSide(): LaidBlock['firstSide'] {
    return this.laid.firstSide;
  }

  get sideChange(): LaidBlock['sideChange'] {
    return this.laid.sideChange;
  }

  get seconds(): LaidBlock['seconds'] {
    return this.laid.seconds;
  }

  get position(): LaidBlock['position'] {
    return this.laid.position;
  }

  get passes(): LaidBlock['passes'] {
    return this.laid.passes;
  }

  get sides(): LaidBlock['sides'] {
    return this.laid.sides;
  }

  get uncertain(): LaidBlock['uncertain'] {
    return this.laid.uncertain;
  }

  get setup(): LaidBlock['setup'] {
    return this.laid.setup;
  }

  get explained(): LaidBlock['explained'] {
    return this.laid.explained;
  }

  get spoken(): LaidBlock['spoken'] {
    return this.laid.spoken;
  }

  get setupKnown(): LaidBlock['setupKnown'] {
    return this.laid.setupKnown;
  }

  get work(): LaidBlock['work'] {
    return this.laid.work;
  }

  get options(): LaidBlock['options'] {
    return this.laid.options;
  }

  get rest(): LaidBlock['rest'] {
    return this.laid.rest;
  }

  get second(): LaidBlock['second'] {
    return this.laid.second;
  }

  get count(): LaidBlock['count'] {
    return this.laid.count;
  }

  get rep(): LaidBlock['rep'] {
    return this.laid.rep;
  }

  get entrySeconds(): LaidBlock['entrySeconds'] {
    return this.laid.entrySeconds;
  }

  get exitSeconds(): LaidBlock['exitSeconds'] {
    return this.laid.exitSeconds;
  }

  get sets(): LaidBlock['sets'] {
    return this.laid.sets;
  }

  get reps(): LaidBlock['reps'] {
    return this.laid.reps;
  }

  get secondReps(): LaidBlock['secondReps'] {
    return this.laid.secondReps;
  }

  get runsOn(): LaidBlock['runsOn'] {
    return this.laid.runsOn;
  }

  get leadsRun(): LaidBlock['leadsRun'] {
    return this.laid.leadsRun;
  }

  get shown(): LaidBlock['shown'] {
    return this.laid.shown;
  }
}
