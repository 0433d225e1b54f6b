import type { TimedBlock, TimedClass, TimedInterlude } from '../plan';
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
import type { TimeFeature } from '../vocabulary/features';

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
  readonly blocks: readonly number[];
}

const NONE: Held = { stretches: [], total: 0, blocks: [] };

/** A pass of a block as time features see it, with what lies before it. */
interface Pass {
  readonly block: TimedBlock;
  readonly features: RungFeatures;
  /** Seconds before its work: the way here, set-up, options, the last one's rest. */
  readonly gap: number;
  /** Places gone through on the way; one when nobody moves. */
  readonly places: readonly string[];
  readonly doing: Doing;
  /** Features that hold as the work begins, and as it ends. */
  readonly begins: ReadonlySet<TimeFeature>;
  readonly leaves: ReadonlySet<TimeFeature>;
}
interface Pause {
  readonly interlude: TimedInterlude;
  readonly gap: number;
  readonly places: readonly string[];
  readonly holds: ReadonlySet<TimeFeature>;
}

/**
 * Stretches of a class, worked out for a feature when it is first asked for. They run over blocks, set-ups, options,
 * rests, interludes and changes of side, from the first phase that loads the part until something lets it go.
 */
export class Stretches {
  readonly #catalog: Catalog;
  readonly #timed: TimedClass;
  readonly #known = new Map<TimeFeature, Held>();
  #course: ReadonlyArray<Pass | Pause> | undefined;

  constructor(catalog: Catalog, timed: TimedClass) {
    this.#catalog = catalog;
    this.#timed = timed;
  }

  of(feature: TimeFeature): Held {
    const known = this.#known.get(feature);
    if (known) return known;
    this.#course ??= courseOfClass(this.#catalog, this.#timed);
    const held = stretchesIn(this.#catalog, this.#course, feature);
    this.#known.set(feature, held);
    return held;
  }
}

/** Every pass and every interlude in the order they happen. */
function courseOfClass(catalog: Catalog, timed: TimedClass): Array<Pass | Pause> {
  const course: Array<Pass | Pause> = [];
  let rest = 0;
  const { sequence } = timed;
  for (let first = 0; first < sequence.length; ) {
    const here = sequence[first] as TimedBlock | TimedInterlude;
    if (here.kind === 'interlude') {
      course.push(pauseOf(catalog, here, rest));
      rest = 0;
      first++;
      continue;
    }
    let end = first + 1;
    const { run } = here.block;
    while (run !== undefined && sequence[end]?.kind === 'block' && (sequence[end] as TimedBlock).block.run === run)
      end++;
    const group = sequence.slice(first, end) as TimedBlock[];
    for (const block of group) {
      const twice = block.slots.length > 1;
      const gap = rest + block.change.seconds + block.setup - block.second.setup + block.options;
      course.push(passOf(catalog, block, block.reps, gap, block.change.places));
      rest = twice ? 0 : block.rest;
    }
    let turn = group.at(-1)?.sideChange ?? 0;
    for (const block of group) {
      if (block.slots.length < 2) continue;
      const places = block.position === 'side-lying' && turn > 0 ? OVER : HERE;
      course.push(passOf(catalog, block, block.secondReps, rest + turn + block.second.setup, places));
      turn = 0;
      rest = block.rest;
    }
    first = end;
  }
  return course;
}

/** Turning over goes by way of the back. */
const OVER: readonly string[] = ['side-left', 'supine', 'side-right'];
const HERE: readonly string[] = ['here'];

function passOf(catalog: Catalog, block: TimedBlock, reps: number, gap: number, places: readonly string[]): Pass {
  const { entry } = block;
  const features = catalog.features(entry);
  const enters = block.entrySeconds > 0;
  const exits = block.exitSeconds > 0;
  const alternates = entry.exercise.sides === 'alternate' && block.block.side === undefined;
  const doing: Doing = {
    entry: enters,
    exit: exits,
    sets: block.sets,
    reps: alternates && block.block.mode !== 'show' ? reps * 2 : reps,
    count: block.count,
    restSeconds: catalog.method.restBetweenSetsSeconds,
  };
  return {
    block,
    features,
    gap,
    places,
    doing,
    begins: enters ? heldInPosition(entry.like, catalog.method) : features.startHolds,
    leaves: exits ? features.leavesHolds : features.endHolds,
  };
}

function pauseOf(catalog: Catalog, interlude: TimedInterlude, rest: number): Pause {
  const { entry, change } = interlude;
  const holds = entry
    ? wholeIn(catalog, entry)
    : heldInPosition(catalog.graph.like(interlude.position), catalog.method);
  return { interlude, gap: rest + change.seconds, places: change.places, holds };
}

/** Features that never let go while a rung is done over and over. */
function wholeIn(catalog: Catalog, entry: RungEntry): ReadonlySet<TimeFeature> {
  return catalog.worth(entry).remembered('wholeRuns', () => {
    const { runs } = catalog.features(entry).rep;
    return new Set((Object.keys(runs) as TimeFeature[]).filter((feature) => runs[feature].whole));
  });
}

/** What is not a shape but something done: no set-up and no rest goes on with it. */
const isDone = (feature: TimeFeature): boolean => feature === 'longHold' || feature === 'breathHeld';

function stretchesIn(catalog: Catalog, course: ReadonlyArray<Pass | Pause>, feature: TimeFeature): Held {
  const stretches: Stretch[] = [];
  const touched: number[] = [];
  let running = 0;
  let through: number[] = [];
  let total = 0;
  /** Whether the part is loaded where the last thing left people. */
  let left = false;
  const close = () => {
    if (running > 0) stretches.push({ seconds: running, blocks: through });
    running = 0;
    through = [];
  };
  const wait = (gap: number, places: readonly string[], begins: boolean, counts: boolean) => {
    const goesOn = running > 0 && left && begins && !isDone(feature) && heldThrough(catalog, places, feature);
    if (!goesOn) {
      close();
      return;
    }
    running += gap;
    if (counts) total += gap;
  };
  for (const each of course) {
    if ('interlude' in each) {
      const { interlude, holds, gap, places } = each;
      const here = holds.has(feature);
      wait(gap, places, here, true);
      if (here && interlude.seconds > 0) {
        running += interlude.seconds;
        total += interlude.seconds;
        through.push(interlude.index);
        touched.push(interlude.index);
      } else close();
      left = here;
      continue;
    }
    const { block, features, gap, places, doing, begins, leaves } = each;
    const counts = block.block.mode !== 'show';
    wait(gap, places, begins.has(feature), counts);
    if (!everIn(features, feature)) {
      close();
      left = leaves.has(feature);
      continue;
    }
    const run = workRun(features, feature, doing);
    if (run.total > 0) {
      addWork(run);
      if (counts) total += run.total;
      if (touched.at(-1) !== block.index) touched.push(block.index);
    } else close();
    left = leaves.has(feature);

    function addWork({ whole, lead, tail, longest, total: all }: Run) {
      if (lead > 0) {
        running += lead;
        if (through.at(-1) !== block.index) through.push(block.index);
      }
      if (whole) return;
      close();
      // Inside the block, between its first and its last: only the longest can matter.
      if (longest > lead && longest > tail && all > 0) stretches.push({ seconds: longest, blocks: [block.index] });
      if (tail > 0) {
        running = tail;
        through = [block.index];
      }
    }
  }
  close();
  return stretches.length === 0 ? NONE : { stretches, total, blocks: [...new Set(touched)].sort((a, b) => a - b) };
}

/** Whether every place gone through loads the part; nobody moving, nothing lets go. */
function heldThrough(catalog: Catalog, places: readonly string[], feature: TimeFeature): boolean {
  if (places.length === 1) return true;
  return places.every((place) => {
    const position = place.startsWith('side-') ? 'side-lying' : place;
    return heldInPosition(catalog.graph.like(position), catalog.method).has(feature);
  });
}
