import { type ClassPlan, PlanError } from '@warm-ladder/core/plan';
import {
  away,
  between,
  type Course,
  type CourseMode,
  keyOf,
  notBegun,
  type Reading,
  secondsOf,
  type Tap,
  tapped,
} from '@warm-ladder/core/rehearsal';
import type { Script } from '@warm-ladder/core/script';
import { useCallback, useEffect, useRef, useState } from 'react';
import { newId } from '../../../app/freeId';
import { courseUnderWay, dropCourse, type KeptCourse, keepCourse } from './keptCourse';

/** Milliseconds between two looks at the clock, and between two notes of it for when the device dies. */
const [TICK, NOTE] = [200, 5_000];

/** A tap without its time. */
type Touch = Tap extends infer T ? (T extends Tap ? Omit<T, 'at'> : never) : never;

interface UnderWay {
  readonly course: Course;
  /** Seconds of the class. */
  readonly seconds: number;
  /** As this device keeps it; null before it is begun. */
  readonly kept: KeptCourse | null;
  /** Seconds since it was last tapped, where that was before this page was opened; null once it was tapped here. */
  readonly untapped: number | null;
  readonly begin: (late: number, present: number | undefined) => void;
  readonly tap: (touch: Touch) => void;
  /** Lets go of it: nothing of it is kept on this device any longer. */
  readonly drop: () => void;
}

const read = (): Reading => ({ wall: Date.now(), steady: performance.now() });

/** Seconds since a class was begun, over reloads, sleep and a clock that is set. */
class CourseClock {
  at = 0;
  #read = read();
  constructor(kept: KeptCourse | null, mode: CourseMode) {
    // Nobody rehearses while the page is closed; a class goes on.
    if (kept) this.at = kept.seen.at + (mode === 'teach' ? away(kept.seen.wall, Date.now()) / 1000 : 0);
  }
  now(): number {
    const next = read();
    this.at += between(this.#read, next) / 1000;
    this.#read = next;
    return this.at;
  }
  begin(): void {
    this.at = 0;
    this.#read = read();
  }
}

interface UnderWayOptions {
  readonly plan: ClassPlan;
  readonly mode: CourseMode;
  readonly address: string;
  readonly scriptOf: (plan: ClassPlan) => Pick<Script, 'sections'>;
}

/** A class under way on this device: every tap is kept as it comes, and after a reload it goes on where it was. */
export function useCourse({ plan, mode, address, scriptOf }: UnderWayOptions): UnderWay {
  const keysOf = useCallback((of: ClassPlan) => scriptOf(of).sections.map((section) => keyOf(section, of)), [scriptOf]);
  const [opened] = useState(() => goingOn(plan, mode, keysOf));
  const [kept, setKept] = useState(opened?.kept ?? null);
  const [course, setCourse] = useState(() => opened?.course ?? notBegun(plan, mode));
  const [, look] = useState(0);
  const state = useRef({ kept, course });
  const [clock] = useState(() => new CourseClock(opened?.kept ?? null, mode));

  const running = kept !== null && course.ended === null;
  useEffect(() => {
    if (!running) return;
    const note = () => {
      const { kept: record } = state.current;
      if (record) keepCourse({ ...record, seen: { at: clock.now(), wall: Date.now() } });
    };
    const ticking = setInterval(() => {
      clock.now();
      look((turn) => turn + 1);
    }, TICK);
    const noting = setInterval(note, NOTE);
    window.addEventListener('pagehide', note);
    document.addEventListener('visibilitychange', note);
    return () => {
      clearInterval(ticking);
      clearInterval(noting);
      window.removeEventListener('pagehide', note);
      document.removeEventListener('visibilitychange', note);
    };
  }, [running, clock]);

  const put = useCallback(
    (record: KeptCourse, touch: Tap, before: Course) => {
      const next = { ...record, taps: [...record.taps, touch], seen: { at: touch.at, wall: Date.now() } };
      keepCourse(next);
      const after = tapped(before, touch, keysOf);
      state.current = { kept: next, course: after };
      setKept(next);
      setCourse(after);
    },
    [keysOf],
  );
  const tap = useCallback(
    (touch: Touch) => {
      const { kept: record, course: before } = state.current;
      if (record) put(record, { ...touch, at: clock.now() } as Tap, before);
    },
    [clock, put],
  );
  const begin = useCallback(
    (late: number, present: number | undefined) => {
      if (state.current.kept) return;
      clock.begin();
      const id = newId(mode === 'teach' ? 'taught' : 'rehearsal');
      const record = { id, class: plan.id, mode, address, begunAt: Date.now(), plan, taps: [], present };
      const beginning: Tap = { kind: 'begin', at: 0, late };
      put({ ...record, seen: { at: 0, wall: Date.now() } }, beginning, notBegun(plan, mode));
    },
    [plan, mode, address, clock, put],
  );
  const drop = useCallback(() => {
    if (state.current.kept) dropCourse(state.current.kept.id);
    state.current = { kept: null, course: notBegun(plan, mode) };
    setKept(null);
    setCourse(state.current.course);
  }, [plan, mode]);
  return {
    course,
    seconds: kept ? secondsOf(course, clock.at) : 0,
    kept,
    untapped: opened && opened.kept === kept ? clock.at - (kept.taps.at(-1)?.at ?? 0) : null,
    begin,
    tap,
    drop,
  };
}

/** A class that was under way when this page was last open, if there is one and its exercises are still there. */
function goingOn(plan: ClassPlan, mode: CourseMode, keysOf: (plan: ClassPlan) => readonly string[]) {
  const kept = courseUnderWay(plan.id, mode);
  if (!kept) return null;
  try {
    const begun = notBegun(kept.plan, mode);
    return { kept, course: kept.taps.reduce((course, tap) => tapped(course, tap, keysOf), begun) };
  } catch (error) {
    // It stays where it is kept: its exercises may come back.
    if (error instanceof PlanError) return null;
    throw error;
  }
}
