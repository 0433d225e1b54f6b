import type { LaidInterlude, TimedBlock, TimedClass, TimedInterlude } from '../../plan';
import type { Catalog, Run } from '../../repertoire';
import { TIME_FEATURES, type TimeFeature } from '../../vocabulary/bodies/features';
import { liesOnSide } from '../../vocabulary/bodies/position';
import type { Known } from './known';
import type { Pass } from './pass';
import { ALL, BIT, bitsOfPosition, heldThrough, readingOf } from './reading';
import type { Room } from './room';

/** A time in which nothing lets a part of the body go. */
interface Stretch {
  readonly seconds: number;
  /** Indexes of the blocks and interludes it runs through, in order. */
  readonly blocks: readonly number[];
}

/** How long one feature holds in a class. */
export interface Held {
  readonly stretches: readonly Stretch[];
  /** Seconds in all, blocks that are only shown left aside. */
  readonly total: number;
  /** Indexes of the blocks that hold it at all. */
  readonly blocks: () => readonly number[];
}

const NONE: Held = { stretches: [], total: 0, blocks: () => [] };

/** One pass of a block, or an interlude, with what lies before it. */
export interface Step {
  /** Of the block or the interlude in the class. */
  readonly index: number;
  /** Of a block; an interlude has none, and holds one shape. */
  readonly pass: Pass | null;
  /** Seconds before it: the way here, set-up, options, the last one's rest. */
  readonly gap: number;
  /** What holds on the whole way here, as it begins, as it ends, and at all. */
  readonly through: number;
  readonly begins: number;
  readonly leaves: number;
  readonly ever: number;
  /** Of what holds as it begins and as it ends, what counts half. */
  readonly beginsHalf: number;
  readonly leavesHalf: number;
  /** Seconds of an interlude. */
  readonly seconds: number;
  /** What is only shown counts to no total. */
  readonly counts: boolean;
}

/**
 * Stretches of a class, worked out for a feature when it is first asked for. They run over blocks, set-ups, options,
 * rests, interludes and changes of side, from the first phase that loads the part until something lets it go.
 */
export class Stretches {
  /** By the place of each feature. */
  readonly #held: Array<Held | undefined>;
  readonly #steps: readonly Step[];
  /** Places of the steps that load each feature, once one is asked for. */
  #loading: Array<number[] | undefined> | undefined;

  /**
   * @param known of each block of the class
   * @param before stretches of another class in the same room: what has not changed is taken over
   */
  constructor(room: Room, timed: TimedClass, known: readonly Known[], before?: Stretches) {
    this.#steps = stepsOf(room, timed, known);
    this.#held = before ? without(before.#held, changedBits(before.#steps, this.#steps)) : [];
  }

  of(feature: TimeFeature): Held {
    const place = placeOf(BIT[feature]);
    const known = this.#held[place];
    if (known) return known;
    this.#loading ??= loadingBy(this.#steps);
    const loading = this.#loading[place];
    const held = loading ? stretchesIn(this.#steps, loading, feature) : NONE;
    this.#held[place] = held;
    return held;
  }
}

/** What is loaded by a step that is another one now. */
function changedBits(before: readonly Step[], steps: readonly Step[]): number {
  if (before.length !== steps.length) return ALL;
  let bits = 0;
  for (let i = 0; i < steps.length; i++) {
    if (before[i] !== steps[i]) bits |= (before[i] as Step).ever | (steps[i] as Step).ever;
  }
  return bits;
}

/** The place of a feature by its bit; of several the lowest. */
const placeOf = (bits: number): number => 31 - Math.clz32(bits & -bits);

/** What is held, but for some features. */
function without(held: ReadonlyArray<Held | undefined>, bits: number): Array<Held | undefined> {
  if (bits === ALL) return [];
  const kept = held.slice();
  for (let left = bits; left !== 0; left &= left - 1) kept[placeOf(left)] = undefined;
  return kept;
}

/** Every pass and every interlude in the order they happen. */
function stepsOf({ catalog }: Room, { sequence }: TimedClass, known: readonly Known[]): Step[] {
  const steps: Step[] = [];
  const over = heldThrough(catalog, OVER);
  let rest = 0;
  let explained = false;
  let blocks = 0;
  const add = (known: Known, time: 0 | 1, pass: Pass, index: number, gap: number, through: number) => {
    let step = known.steps[time];
    if (step?.index !== index || step.gap !== gap || step.through !== through) {
      const { begins, leaves, ever, beginsHalf, leavesHalf } = pass;
      const shape = { begins, leaves, ever, beginsHalf, leavesHalf };
      step = { index, pass, gap, through, ...shape, seconds: 0, counts: !known.laid.shown };
      known.steps[time] = step;
    }
    steps.push(step);
  };
  for (let first = 0; first < sequence.length; ) {
    const here = sequence[first] as TimedBlock | TimedInterlude;
    if (here.kind === 'interlude') {
      steps.push(pauseOf(catalog, here, rest, explained));
      rest = 0;
      explained = false;
      first++;
      continue;
    }
    let end = first + 1;
    while ((sequence[end - 1] as TimedBlock).runsOn) end++;
    let turn = 0;
    for (let i = first; i < end; i++) {
      const each = known[blocks + i - first] as Known;
      const { laid, second } = each;
      const gap = rest + laid.change.seconds + laid.setup - laid.explained - laid.second.setup + laid.options;
      add(each, 0, each.first, i, gap, explained ? 0 : each.through);
      rest = (second ? 0 : laid.rest) + laid.explained;
      // What is explained after shown repetitions is listened to: nobody holds the shape meanwhile.
      explained = laid.explained > 0;
      turn = laid.sideChange;
    }
    for (let i = first; i < end; i++) {
      const each = known[blocks + i - first] as Known;
      const { laid, second } = each;
      if (!second) continue;
      const through = liesOnSide(laid.position) && turn > 0 ? over : ALL;
      add(each, 1, second, i, rest + turn + laid.second.setup, through);
      turn = 0;
      rest = laid.rest;
    }
    blocks += end - first;
    first = end;
  }
  return steps;
}

const pauses = new WeakMap<LaidInterlude, Step>();

/** An interlude as a step; the same one as long as it is laid the same. */
function pauseOf(catalog: Catalog, { laid, index }: TimedInterlude, rest: number, letGo: boolean): Step {
  const { entry, change, seconds, position } = laid;
  const gap = rest + change.seconds;
  const known = pauses.get(laid);
  if (known?.index === index && known.gap === gap && (known.through === 0 || !letGo)) return known;
  const holds = entry ? readingOf(catalog, entry).whole : bitsOfPosition(catalog, position);
  const through = letGo ? 0 : heldThrough(catalog, change.places);
  const shape = { begins: holds, leaves: holds, ever: seconds > 0 ? holds : 0, beginsHalf: 0, leavesHalf: 0 };
  const step: Step = { index, pass: null, gap, through, ...shape, seconds, counts: true };
  pauses.set(laid, step);
  return step;
}

/** Which steps load each feature, by the place of its bit: most load few, and the others only end what runs. */
function loadingBy(steps: readonly Step[]): Array<number[] | undefined> {
  const loading: Array<number[] | undefined> = new Array(TIME_FEATURES.length).fill(undefined);
  for (let place = 0; place < steps.length; place++) {
    for (let bits = (steps[place] as Step).ever; bits !== 0; bits &= bits - 1) {
      const feature = placeOf(bits);
      const known = loading[feature];
      if (known) known.push(place);
      else loading[feature] = [place];
    }
  }
  return loading;
}

/** Turning over goes by way of the back. */
const OVER: readonly string[] = ['side-left', 'supine', 'side-right'];

/** What is not a shape but something done: no set-up and no rest goes on with it. */
const isDone = (feature: TimeFeature): boolean => feature === 'longHold' || feature === 'breathHeld';

/** @param loading places of the steps that load the part at all, in order */
function stretchesIn(steps: readonly Step[], loading: readonly number[], feature: TimeFeature): Held {
  const stretches: Stretch[] = [];
  const touched: number[] = [];
  const bit = BIT[feature];
  const waits = isDone(feature) ? 0 : bit;
  let running = 0;
  let through: number[] = [];
  let total = 0;
  const close = () => {
    if (running > 0) stretches.push({ seconds: running, blocks: through });
    running = 0;
    through = [];
  };
  const enter = (index: number) => {
    if (through.at(-1) !== index) through.push(index);
  };
  let last = -1;
  for (const place of loading) {
    const { index, pass, gap, counts, begins, beginsHalf, through: way, seconds } = steps[place] as Step;
    if (running > 0) {
      // A step between that does not load the part has let it go.
      const before = steps[last] as Step;
      const held = last === place - 1 && before.leaves & begins & way & waits;
      if (!held) close();
      else {
        const waited = before.leavesHalf & beginsHalf & bit ? gap / 2 : gap;
        running += waited;
        if (counts) total += waited;
      }
    }
    last = place;
    if (!pass) {
      running += seconds;
      total += seconds;
      enter(index);
      touched.push(index);
      continue;
    }
    const run = pass.run(feature);
    if (run.total > 0) {
      addWork(run, index);
      if (counts) total += run.total;
      touched.push(index);
    } else close();
  }
  close();

  function addWork({ whole, lead, tail, longest }: Run, index: number) {
    if (lead > 0) {
      running += lead;
      enter(index);
    }
    if (whole) return;
    close();
    // Inside the block, between its first and its last: only the longest can matter.
    if (longest > lead && longest > tail) stretches.push({ seconds: longest, blocks: [index] });
    if (tail > 0) {
      running = tail;
      through = [index];
    }
  }
  let blocks: readonly number[] | undefined;
  if (stretches.length === 0) return NONE;
  return {
    stretches,
    total,
    blocks: () => {
      blocks ??= eachOnce(touched);
      return blocks;
    },
  };
}

/** In a run the second sides come after all first ones. */
const eachOnce = (indexes: readonly number[]): number[] => [...new Set(indexes)].sort((a, b) => a - b);
