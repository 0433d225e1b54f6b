import type { ClassPlan } from '../plan';
import type { Tap } from './taps';

/** In a rehearsal holds are left out; a class that is taught goes on in them, and ends when it should. */
export type CourseMode = 'teach' | 'rehearse';

/** A stretch of the class that was begun. */
export interface Step {
  /** Which one: `opening`, `closing`, or a block and its pass, as `b3/1`. */
  readonly key: string;
  /** When it was begun, with the way to it: seconds of the class. */
  readonly begun: number;
  /** When each repetition counted in it began. */
  readonly reps: readonly number[];
}

/** A change of the class on the way. */
interface Changed {
  readonly label: string;
  /** The stretch it was in, where the change took that out: undone, the class is in it again. */
  readonly left: Step | null;
}

/** A class under way: all that its taps tell. */
export interface Course {
  readonly mode: CourseMode;
  /** The class as it was begun, and after it as each change that stands left it. */
  readonly plans: readonly ClassPlan[];
  readonly changes: readonly Changed[];
  /** The stretches begun, in order; it is in the last. None before it begins. */
  readonly steps: readonly Step[];
  /** Seconds by which it began late. */
  readonly late: number;
  /** Seconds of the device’s clock: since when it is held, and how long it was held before. */
  readonly heldSince: number | null;
  readonly held: number;
  /** When it ended, in seconds of the class; and whether that is when it was last tapped, and no more is known. */
  readonly ended: number | null;
  readonly left: boolean;
}

/** The stretches of a class as it is planned, in order, by their keys. */
type KeysOf = (plan: ClassPlan) => readonly string[];

export const notBegun = (plan: ClassPlan, mode: CourseMode): Course => ({
  mode,
  plans: [plan],
  changes: [],
  steps: [],
  late: 0,
  heldSince: null,
  held: 0,
  ended: null,
  left: false,
});

/** The class as it goes on now. */
export const planNow = ({ plans }: Pick<Course, 'plans'>): ClassPlan => plans.at(-1) as ClassPlan;

/** Two taps on “Next” within so many seconds are one. */
const DOUBLE_SECONDS = 0.7;

/**
 * Seconds of the class at a moment of the device’s clock.
 * @param at seconds since it was begun
 */
export const secondsOf = ({ mode, held, heldSince }: Course, at: number): number =>
  mode === 'teach' ? at : (heldSince ?? at) - held;

/** A class after one more tap. What can’t be done at that moment changes nothing. */
export function tapped(course: Course, tap: Tap, keysOf: KeysOf): Course {
  const { steps, changes, ended } = course;
  const at = secondsOf(course, tap.at);
  const here = steps.at(-1);
  if (tap.kind === 'begin') return here ? course : { ...course, late: tap.late, steps: [begunAt('opening', 0)] };
  if (!here) return course;
  if (ended !== null) return tap.kind === 'back' ? { ...course, ended: null, left: false } : course;
  switch (tap.kind) {
    case 'hold':
      return course.heldSince === null ? { ...course, heldSince: tap.at } : course;
    case 'go':
      return goesOn(course, tap.at);
    case 'rep':
      if (here.key === 'opening' || here.key === 'closing') return course;
      return { ...course, steps: [...steps.slice(0, -1), { ...here, reps: [...here.reps, at] }] };
    case 'back':
      return steps.length > 1 ? { ...course, steps: steps.slice(0, -1) } : course;
    case 'next':
      if (steps.length > 1 && at - here.begun < DOUBLE_SECONDS) return course;
      return onward(goesOn(course, tap.at), at, keysOf);
    case 'left':
      return { ...goesOn(course, tap.at), ended: at, left: true };
    case 'change': {
      const before = keysOf(planNow(course));
      const after = { ...course, plans: [...course.plans, tap.plan] };
      const moved = settled(after, here, before, keysOf);
      return {
        ...after,
        changes: [...changes, { label: tap.label, left: moved === here ? null : here }],
        steps: [...steps.slice(0, -1), moved],
      };
    }
    case 'undo': {
      const last = changes.at(-1);
      if (!last) return course;
      const before = keysOf(planNow(course));
      const after = { ...course, plans: course.plans.slice(0, -1), changes: changes.slice(0, -1) };
      const back = last.left?.begun === here.begun ? last.left : settled(after, here, before, keysOf);
      return { ...after, steps: [...steps.slice(0, -1), back] };
    }
  }
}

const begunAt = (key: string, begun: number): Step => ({ key, begun, reps: [] });

const goesOn = (course: Course, at: number): Course =>
  course.heldSince === null ? course : { ...course, heldSince: null, held: course.held + at - course.heldSince };

function onward(course: Course, at: number, keysOf: KeysOf): Course {
  const keys = keysOf(planNow(course));
  const next = keys[keys.indexOf(course.steps.at(-1)?.key ?? '') + 1];
  return next === undefined ? { ...course, ended: at } : { ...course, steps: [...course.steps, begunAt(next, at)] };
}

/** Where a class is once it was changed: in the same stretch, or where that is gone in what followed it. */
function settled(course: Course, here: Step, before: readonly string[], keysOf: KeysOf): Step {
  const keys = keysOf(planNow(course));
  if (keys.includes(here.key)) return here;
  const following = before.slice(before.indexOf(here.key) + 1).find((key) => keys.includes(key));
  return begunAt(following ?? (keys.at(-1) as string), here.begun);
}
