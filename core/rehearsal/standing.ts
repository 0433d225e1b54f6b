import { type ClassPlan, dayPace } from '../plan';
import {
  type Moment,
  momentIn,
  type PassTimes,
  repStart,
  repsPerSet,
  type Script,
  type ScriptSection,
} from '../script';
import { type Course, planNow, type Step } from './course';
import { keyOf } from './keys';

/** A repetition of a set, and the set, each counted from 1. */
export interface RepNow {
  readonly number: number;
  readonly of: number;
  readonly set: number;
  readonly sets: number;
}

/** Where a class under way is, and how it stands against the clock. */
export interface Standing {
  readonly index: number;
  readonly section: ScriptSection;
  readonly following: ScriptSection | undefined;
  /** Seconds since people are there; below 0 on the way. */
  readonly into: number;
  /** What is done just now; null on the way, and where nobody works. */
  readonly moment: Moment | null;
  /** Which repetition of which set; null where none is done. */
  readonly rep: RepNow | null;
  /** Seconds behind the plan; below 0 ahead of it. */
  readonly behind: number;
  /** When it will end at the day’s own pace, in seconds since it should have begun. */
  readonly ends: number;
}

/**
 * Where a class under way is: by the plan from the last tap on, the way, the set-up, each repetition and the rest.
 * @param script of the class as it is planned now
 * @param seconds of the class
 */
export function standing(script: Pick<Script, 'sections' | 'seconds'>, course: Course, seconds: number): Standing {
  const { late, steps } = course;
  const plan: ClassPlan = planNow(course);
  const step = steps.at(-1) ?? { key: 'opening', begun: 0, reps: [] };
  const index = Math.max(
    0,
    script.sections.findIndex((section) => keyOf(section, plan) === step.key),
  );
  const section = script.sections[index] as ScriptSection;
  const { times, startSeconds, leadSeconds } = section;
  const into = times ? intoPass(times, step, seconds, leadSeconds) : seconds - step.begun - leadSeconds;
  const moment = times && into >= 0 ? momentIn(times, into) : null;
  const planned = Math.min(startSeconds + into, startSeconds + section.seconds);
  const pace = dayPace(step.begun + leadSeconds, startSeconds);
  return {
    index,
    section,
    following: script.sections[index + 1],
    into,
    moment,
    rep: times ? repNow(times, step, moment, into) : null,
    behind: late + seconds - planned,
    ends: late + seconds + pace * (script.seconds - planned),
  };
}

/** Which repetition it is: as counted, else by the clock. */
function repNow(times: PassTimes, { reps }: Step, moment: Moment | null, into: number): RepNow | null {
  const of = repsPerSet(times);
  const { sets } = times;
  if (reps.length > 0) {
    const set = Math.min(sets, Math.ceil(reps.length / of));
    return { number: reps.length - (set - 1) * of, of, set, sets };
  }
  if (moment?.doing !== 'rep') return null;
  const set = Array.from({ length: sets }, (_, i) => repStart(times, i * of)).filter((start) => start <= into).length;
  return { number: moment.rep + 1, of, set: Math.max(1, set), sets };
}

/** How many times as long as planned a counted repetition may last, and seconds more, before nobody counts any longer. */
const [LONG_REP, LONGER] = [2, 5];

/**
 * Seconds into a pass. From a repetition that was counted it goes on as planned, and waits at its end for the next; when
 * none comes, nobody counts any longer, and it goes on by the clock.
 */
function intoPass(times: PassTimes, { begun, reps }: Step, seconds: number, lead: number): number {
  const last = reps.at(-1);
  if (last === undefined) return seconds - begun - lead;
  const all = times.sets * repsPerSet(times);
  const counted = Math.min(reps.length, all);
  const start = repStart(times, counted - 1);
  const since = seconds - last;
  if (since <= times.rep || counted === all) return start + since;
  const waited = LONG_REP * times.rep + LONGER;
  // Just before the end of the repetition it is in.
  if (since <= waited) return start + times.rep * (1 - 1e-6);
  return start + times.rep + since - waited;
}
