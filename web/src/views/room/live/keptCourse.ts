import type { ClassPlan } from '@warm-ladder/core/plan';
import { type CourseMode, readTaps, type Tap } from '@warm-ladder/core/rehearsal';
import type { Log } from '@warm-ladder/core/taught';

/** A class under way as this device keeps it, tap by tap, until its log is kept in the studio. */
export interface KeptCourse {
  /** The id its log gets: two phones that teach one class make two logs. */
  readonly id: string;
  readonly class: string;
  readonly mode: CourseMode;
  /** What the address asked for: the teacher, the form. */
  readonly address: string;
  /** When it was begun, by the clock on the wall: milliseconds since 1970. */
  readonly begunAt: number;
  /** The class as it was begun: it goes on so, though it is changed in the studio meanwhile. */
  readonly plan: ClassPlan;
  readonly taps: readonly Tap[];
  /** When it was last seen: seconds since it was begun, and the clock on the wall. */
  readonly seen: { readonly at: number; readonly wall: number };
  readonly present?: number | undefined;
  /** Its log as somebody decided to keep it: it waits for the server. */
  readonly log?: Log | undefined;
}

const PREFIX = 'warm-ladder/course/';
const FORMAT = 1;

/** Writes what is known of a class now, at once. @returns whether this browser keeps it */
export function keepCourse(course: KeptCourse): boolean {
  try {
    localStorage.setItem(PREFIX + course.id, JSON.stringify({ format: FORMAT, ...course }));
    return true;
  } catch {
    return false;
  }
}

export function dropCourse(id: string): void {
  try {
    localStorage.removeItem(PREFIX + id);
  } catch {
    // A browser that keeps nothing has nothing to drop.
  }
}

/** All classes under way that this device keeps, the latest first; what can’t be read stays where it is. */
export function keptCourses(): KeptCourse[] {
  try {
    return Object.keys(localStorage)
      .filter((key) => key.startsWith(PREFIX))
      .flatMap((key) => readCourse(localStorage.getItem(key)) ?? [])
      .sort((a, b) => b.begunAt - a.begunAt);
  } catch {
    return [];
  }
}

/** The class that goes on here: the latest begun and not ended as a log. */
export const courseUnderWay = (id: string, mode: CourseMode): KeptCourse | undefined =>
  keptCourses().find((course) => course.class === id && course.mode === mode && !course.log);

function readCourse(text: string | null): KeptCourse | null {
  try {
    const course = JSON.parse(text ?? '') as KeptCourse & { readonly format: number };
    const { format, id, taps, seen, begunAt, plan } = course;
    const sound =
      format === FORMAT &&
      typeof id === 'string' &&
      readTaps(taps) !== null &&
      Number.isFinite(seen?.at) &&
      Number.isFinite(seen?.wall) &&
      Number.isFinite(begunAt) &&
      Array.isArray(plan?.blocks);
    return sound ? course : null;
  } catch {
    return null;
  }
}
