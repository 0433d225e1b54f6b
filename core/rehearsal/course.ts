import type { ClassPlan } from '../plan';
import type { Script, ScriptSection } from '../script';
import type { Rehearsed } from '../taught';

/** A rehearsal under way: where it is, and when each stretch of the script was begun, holds left out. */
export interface Course {
  readonly at: number;
  /** Seconds into the rehearsal at which each section was begun; those not reached yet have none. */
  readonly begun: readonly number[];
  /** Repetitions counted in the section it is at. */
  readonly counted: number;
  readonly done: boolean;
}

export const BEGINNING: Course = { at: 0, begun: [0], counted: 0, done: false };

/** On to the next stretch, or to the end. @param seconds of the rehearsal, holds left out */
export function onward({ sections }: Pick<Script, 'sections'>, course: Course, seconds: number): Course {
  if (course.done) return course;
  if (course.at >= sections.length - 1) return { ...course, done: true };
  return { at: course.at + 1, begun: [...course.begun.slice(0, course.at + 1), seconds], counted: 0, done: false };
}

/** Back to the stretch before: it is begun anew. */
export function backward(course: Course, seconds: number): Course {
  const at = Math.max(0, course.at - 1);
  return { at, begun: [...course.begun.slice(0, at), at === 0 ? 0 : seconds], counted: 0, done: false };
}

export const counted = (course: Course): Course => ({ ...course, counted: course.counted + 1 });

/**
 * Seconds behind the plan at a moment; below 0 ahead of it. A stretch is begun with its way; while it lasts no longer
 * than planned nothing changes, and from then on every second counts.
 */
export function behind(
  { startSeconds, leadSeconds, seconds }: Pick<ScriptSection, 'startSeconds' | 'leadSeconds' | 'seconds'>,
  begunAt: number,
  now: number,
): number {
  return now - (startSeconds - leadSeconds + Math.min(now - begunAt, leadSeconds + seconds));
}

/** A rehearsal as it is kept: when each side of each block was begun. @param at when it was begun, as ISO 8601 */
export function kept(
  { sections }: Pick<Script, 'sections'>,
  { blocks }: Pick<ClassPlan, 'blocks'>,
  { begun }: Course,
  { seconds, at, teacher }: { readonly seconds: number; readonly at: string; readonly teacher?: string | undefined },
): Rehearsed {
  return {
    date: at.slice(0, 10),
    begun: at.slice(11, 16),
    teacher,
    seconds,
    marks: sections.flatMap(({ block, pass }, i) => {
      const startSeconds = begun[i];
      const id = block === null ? undefined : blocks[block]?.id;
      return id === undefined || startSeconds === undefined ? [] : [{ block: id, pass, startSeconds }];
    }),
  };
}
