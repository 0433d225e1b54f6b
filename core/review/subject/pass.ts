import type { LaidBlock } from '../../plan';
import { type Catalog, type Doing, type Run, type RungFeatures, workRun } from '../../repertoire';
import type { TimeFeature } from '../../vocabulary/bodies/features';
import { bitsOfPosition, type RungReading } from './reading';

/** One pass of a block as time features see it, whenever it is done. */
export class Pass {
  /** Features that hold as the work begins, as it ends, and at all. */
  readonly begins: number;
  readonly leaves: number;
  readonly ever: number;
  /** Of what holds as it begins and as it ends, what counts half. */
  readonly beginsHalf: number;
  readonly leavesHalf: number;
  readonly #features: RungFeatures;
  readonly #doing: Doing;
  readonly #runs: Partial<Record<TimeFeature, Run>> = {};

  constructor(catalog: Catalog, laid: LaidBlock, reading: RungReading, reps: number) {
    const { features, starts, ends, leaves, ever, startsHalf, endsHalf } = reading;
    const { entry, block, entrySeconds, exitSeconds, sets, count } = laid;
    const enters = entrySeconds > 0;
    const exits = exitSeconds > 0;
    const alternates = entry.sides === 'alternate' && block.side === undefined;
    this.#features = features;
    this.#doing = {
      entry: enters,
      exit: exits,
      sets,
      reps: alternates && block.mode !== 'show' ? reps * 2 : reps,
      count,
      restSeconds: catalog.method.restBetweenSetsSeconds,
    };
    this.begins = enters ? bitsOfPosition(catalog, entry.position) : starts;
    this.leaves = exits ? leaves : ends;
    this.ever = ever;
    this.beginsHalf = enters ? 0 : startsHalf;
    this.leavesHalf = exits ? 0 : endsHalf;
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
