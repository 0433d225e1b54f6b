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
} from '../body';
import type { Method } from '../method/method';
import type { Phase, Rung } from './exercise';

/** A stretch of one repetition, short enough to be taken as one pose; where a phase arrives, one of no seconds. */
export interface Moment {
  readonly phase: Phase;
  /** When its middle is, in seconds from the start of the repetition. */
  readonly atSeconds: number;
  readonly seconds: number;
  readonly posed: Posed;
  readonly load: Load;
  /** Nothing moves: a hold. */
  readonly still: boolean;
}

/** Moments a moving phase is cut into; a held one is a single moment. */
const CUTS = 3;

/**
 * One repetition as it passes, phase by phase, each interpolated from the pose before it: what loads and exposures
 * are summed over, so that they are per second and not per rung.
 * @param like the position the exercise is drawn and measured as
 */
export function courseOf(rung: Rung, like: BasePosition, method: Method): Moment[] {
  const secondsPerCount = rung.dose.secondsPerCount ?? method.secondsPerCount;
  const moments: Moment[] = [];
  const worked = new Map<Pose, Posed>();
  const reached = (pose: Pose): Posed => {
    const posed = worked.get(pose) ?? posedAs(pose, like, method.bodyHeightM);
    worked.set(pose, posed);
    return posed;
  };
  const first = rung.poses[rung.start];
  let from = first && reached(first);
  let clock = 0;
  for (const phase of rung.phases) {
    const pose: Pose | undefined = rung.poses[phase.pose];
    if (!from || !pose) continue;
    const to = reached(pose);
    const move = moveBetween(from.pose, pose, from.angles, to.angles);
    const cuts = move.still ? 1 : CUTS;
    const seconds = (phase.counts * secondsPerCount) / cuts;
    for (let cut = 0; cut < cuts; cut++) {
      const { pose: passed, angles } = move.writtenAt((cut + 0.5) / cuts);
      const posed = posedWith(passed, angles, like, method.bodyHeightM);
      moments.push({
        phase,
        atSeconds: clock + seconds / 2,
        seconds,
        posed,
        load: loadOf(posed, method),
        still: move.still,
      });
      clock += seconds;
    }
    moments.push({ phase, atSeconds: clock, seconds: 0, posed: to, load: loadOf(to, method), still: move.still });
    from = to;
  }
  return moments;
}

/** The heaviest each load gets in a repetition, on the way as well as in its poses, N·m. */
export const heaviestLoad = (course: readonly Moment[]): Load =>
  course.reduce<Load>((most, { load }) => peakLoad(most, load), NO_LOAD);

/** The load of a repetition spread over its time, N·m; an idea that never applies is `null`. */
export function meanLoad(course: readonly Moment[]): Load {
  const mean = (idea: keyof Load): number | null => {
    if (course.every(({ load }) => load[idea] === null)) return null;
    const seconds = course.reduce((sum, moment) => sum + moment.seconds, 0);
    return course.reduce((sum, { load, seconds: each }) => sum + (load[idea] ?? 0) * each, 0) / seconds;
  };
  return { legLever: mean('legLever'), curlLever: mean('curlLever'), lumbarMoment: mean('lumbarMoment') };
}
