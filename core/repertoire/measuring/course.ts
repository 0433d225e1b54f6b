import {
  type BasePosition,
  type Load,
  loadOf,
  moveBetween,
  NO_LOAD,
  type Pose,
  type Posed,
  peakLoad,
  posedAs,
  posedWith,
  type Surfaces,
  tiltBetween,
} from '../../body';
import type { Measuring } from '../../method/method';
import { type Phase, phaseCounts, type Rung } from '../exercise';
import { entersFrom } from '../plain';

/** A stretch of a rung, short enough to be taken as one pose; where a phase arrives, one of no counts. */
export interface Moment {
  readonly phase: Phase;
  /** When its middle is, in counts from the start of its part. */
  readonly atCounts: number;
  readonly counts: number;
  readonly posed: Posed;
  readonly load: Load;
  /** The pose its phase arrives at. */
  readonly arrives: Pose;
  /** Nothing moves: a hold. */
  readonly still: boolean;
}

/** Moments a moving phase is cut into; a held one is a single moment. */
const CUTS = 3;

/**
 * A rung as it passes, phase by phase, each interpolated from the pose before it: the way in, one repetition, the way
 * out; what loads and exposures are summed over. Kept in counts; who counts how fast is the class's. Each part is worked
 * out when it is first asked for.
 */
export class Course {
  readonly #rung: Rung;
  readonly #like: BasePosition;
  readonly #method: Measuring;
  readonly #surfaces: Surfaces | undefined;
  readonly #worked = new Map<Pose, Posed>();
  #parts: Pick<Course, 'entry' | 'rep' | 'exit'> | undefined;

  constructor(rung: Rung, like: BasePosition, method: Measuring, surfaces?: Surfaces) {
    this.#rung = rung;
    this.#like = like;
    this.#method = method;
    this.#surfaces = surfaces;
  }

  get entry(): readonly Moment[] {
    return this.#passed().entry;
  }

  get rep(): readonly Moment[] {
    return this.#passed().rep;
  }

  get exit(): readonly Moment[] {
    return this.#passed().exit;
  }

  /** The pose repetitions begin in. */
  get start(): Posed | null {
    return this.bodyIn(this.#rung.start);
  }

  /** A pose of the rung, settled, by its id; `null` where the rung has none of that id. */
  bodyIn(id: string): Posed | null {
    const pose = this.#rung.poses[id];
    if (!pose) return null;
    const known = this.#worked.get(pose) ?? posedAs(pose, this.#like, this.#method.bodyHeightM, this.#surfaces);
    this.#worked.set(pose, known);
    return known;
  }

  #passed(): Pick<Course, 'entry' | 'rep' | 'exit'> {
    if (this.#parts) return this.#parts;
    const { phases, entry = [], exit = [] } = this.#rung;
    const pass = (part: readonly Phase[], first: Posed | null): readonly Moment[] => {
      const moments: Moment[] = [];
      let from = first;
      let clock = 0;
      for (const phase of part) {
        const to = this.bodyIn(phase.pose);
        if (!to) continue;
        clock = addMoments(moments, phase, from ?? to, to, clock, this.#like, this.#method);
        from = to;
      }
      return moments;
    };
    const { start } = this;
    const rep = pass(phases, start);
    const from = entersFrom(this.#rung, this.#like);
    const enters = from && posedAs(from, this.#like, this.#method.bodyHeightM, this.#surfaces);
    this.#parts = { entry: pass(entry, enters), rep, exit: pass(exit, rep.at(-1)?.posed ?? start) };
    return this.#parts;
  }
}

/**
 * A rung as it passes.
 * @param like the position the exercise is drawn and measured as
 * @param surfaces how high what carries each support lies
 */
export const courseOf = (rung: Rung, like: BasePosition, method: Measuring, surfaces?: Surfaces): Course =>
  new Course(rung, like, method, surfaces);

/** Adds a phase as it passes. @returns the counts by its end */
function addMoments(
  moments: Moment[],
  phase: Phase,
  from: Posed,
  to: Posed,
  begin: number,
  like: BasePosition,
  method: Measuring,
): number {
  const move = moveBetween(from.pose, to.pose, from.angles, to.angles);
  const cuts = move.still ? 1 : CUTS;
  const counts = phaseCounts(phase) / cuts;
  let clock = begin;
  for (let cut = 0; cut < cuts; cut++) {
    const share = (cut + 0.5) / cuts;
    const { pose, angles } = move.writtenAt(share);
    const posed =
      move.still && pose === to.pose
        ? to
        : posedWith(pose, angles, like, method.bodyHeightM, tiltBetween(from.tilt, to.tilt, share));
    moments.push({
      phase,
      atCounts: clock + counts / 2,
      counts,
      posed,
      load: loadOf(posed, method),
      arrives: to.pose,
      still: move.still,
    });
    clock += counts;
  }
  moments.push({
    phase,
    atCounts: clock,
    counts: 0,
    posed: to,
    load: loadOf(to, method),
    arrives: to.pose,
    still: move.still,
  });
  return clock;
}

/** Every moment of a rung that something reaches. */
const allMoments = ({ entry, rep, exit }: Course): readonly Moment[] => [...entry, ...rep, ...exit];

/** The heaviest each load gets, on the way as well as in its poses, N·m. */
export const heaviestLoad = (moments: readonly Moment[]): Load =>
  moments.reduce<Load>((most, { load }) => peakLoad(most, load), NO_LOAD);

/** The heaviest each load gets in a whole rung, the way in and out too, N·m. */
export const heaviestOf = (course: Course, method: Measuring): Load =>
  peakLoad(course.start ? loadOf(course.start, method) : NO_LOAD, heaviestLoad(allMoments(course)));

/** The load of a repetition spread over its time, N·m; an idea that never applies is `null`. */
export function meanLoad(moments: readonly Moment[]): Load {
  const counts = moments.reduce((sum, moment) => sum + moment.counts, 0);
  const mean = (idea: keyof Load): number =>
    moments.reduce((sum, { load, counts: each }) => sum + (load[idea] ?? 0) * each, 0) / counts;
  const orNone = (idea: keyof Load) => (moments.every(({ load }) => load[idea] === null) ? null : mean(idea));
  return {
    legLever: orNone('legLever'),
    curlLever: orNone('curlLever'),
    lumbarMoment: orNone('lumbarMoment'),
    bellyMoment: mean('bellyMoment'),
    backMoment: mean('backMoment'),
  };
}
