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
} from '../body';
import type { Method } from '../method/method';
import type { Phase, Rung } from './exercise';

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

/** A rung as it passes: the way in, one repetition, the way out. Kept in counts; who counts how fast is the class's. */
export interface Course {
  readonly entry: readonly Moment[];
  readonly rep: readonly Moment[];
  readonly exit: readonly Moment[];
  /** The pose repetitions begin in. */
  readonly start: Posed | null;
  /** Every pose it reaches, settled, by the pose as it is written. */
  readonly bodies: ReadonlyMap<Pose, Posed>;
}

/** Moments a moving phase is cut into; a held one is a single moment. */
const CUTS = 3;

/**
 * A rung as it passes, phase by phase, each interpolated from the pose before it: what loads and exposures are summed
 * over. The way in begins in its own first pose: where people come from is the class's.
 * @param like the position the exercise is drawn and measured as
 * @param surfaces how high what carries each support lies
 */
export function courseOf(rung: Rung, like: BasePosition, method: Method, surfaces?: Surfaces): Course {
  const worked = new Map<Pose, Posed>();
  const reached = (pose: Pose): Posed => {
    const posed = worked.get(pose) ?? posedAs(pose, like, method.bodyHeightM, surfaces);
    worked.set(pose, posed);
    return posed;
  };
  const pass = (phases: readonly Phase[], first: Posed | null): readonly Moment[] => {
    const moments: Moment[] = [];
    let from = first;
    let clock = 0;
    for (const phase of phases) {
      const pose = rung.poses[phase.pose];
      if (!pose) continue;
      const to = reached(pose);
      clock = addMoments(moments, phase, from ?? to, to, clock, like, method);
      from = to;
    }
    return moments;
  };
  const startPose = rung.poses[rung.start];
  const start = startPose ? reached(startPose) : null;
  const rep = pass(rung.phases, start);
  const entry = pass(rung.entry ?? [], null);
  const exit = pass(rung.exit ?? [], rep.at(-1)?.posed ?? start);
  return { entry, rep, exit, start, bodies: worked };
}

/** Adds a phase as it passes. @returns the counts by its end */
function addMoments(
  moments: Moment[],
  phase: Phase,
  from: Posed,
  to: Posed,
  begin: number,
  like: BasePosition,
  method: Method,
): number {
  const move = moveBetween(from.pose, to.pose, from.angles, to.angles);
  const cuts = move.still ? 1 : CUTS;
  const counts = phase.counts / cuts;
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
export const allMoments = ({ entry, rep, exit }: Course): readonly Moment[] => [...entry, ...rep, ...exit];

/** The heaviest each load gets, on the way as well as in its poses, N·m. */
export const heaviestLoad = (moments: readonly Moment[]): Load =>
  moments.reduce<Load>((most, { load }) => peakLoad(most, load), NO_LOAD);

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
