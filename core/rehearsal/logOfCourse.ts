import { type Block, type ClassPlan, isInterlude, type TimedClass } from '../plan';
import { rungKey } from '../repertoire';
import type { PassTimes, Script, ScriptSection } from '../script';
import { type Log, plannedDay } from '../taught';
import { type Course, planNow, type Step } from './course';
import { keyOf, passOf } from './keys';

type LoggedBlock = NonNullable<Log['blocks']>[number];
type LoggedPass = NonNullable<LoggedBlock['passes']>[number];

/** What is known of the day beside the taps. */
export interface LoggedDay {
  /** An id for the log. */
  readonly id: string;
  /** The day, `YYYY-MM-DD`, and the time it was begun, `HH:MM`, by the clock on the wall. */
  readonly date: string;
  readonly begun: string;
  /** How many people came. */
  readonly present?: number | undefined;
  readonly teacher?: { readonly id: string; readonly name: string } | undefined;
  readonly audience?: { readonly id: string; readonly name: string } | undefined;
}

/**
 * A class that was taught or rehearsed, as its log. A repetition that was tapped says when the set-up was over; the time
 * since the stretch was begun is shared between way and set-up as planned. Where no repetition was tapped nothing but
 * the start is known. Rests are taken for as long as planned.
 * @param course from its beginning to where it is now
 * @param planned the class as it was begun, timed without a teacher's own pace
 * @param script of the class as it is planned now
 */
export function logOfCourse(
  course: Course,
  planned: TimedClass,
  script: Pick<Script, 'sections'>,
  { id, date, begun, present, teacher, audience }: LoggedDay,
): Log {
  const { steps, mode, left } = course;
  const ended = left ? null : course.ended;
  const plan = planNow(course);
  const sections = new Map(script.sections.map((section) => [keyOf(section, plan), section]));
  const done = new Map<string, LoggedPass[]>();
  steps.forEach((step, i) => {
    const of = passOf(step.key);
    if (!of) return;
    const next = steps[i + 1]?.begun ?? ended ?? undefined;
    done.set(of.block, [...(done.get(of.block) ?? []), passDone(step, next, sections.get(step.key))]);
  });
  const [was, is] = [byId(planned.plan), byId(plan)];
  const blocks = [...done].map(([block, passes]): LoggedBlock => {
    const before = was.get(block);
    const now = is.get(block);
    if (before) return { id: block, did: 'planned', passes: passes.map((pass) => asChanged(pass, before, now)) };
    return { id: block, did: 'added', ...(now && !isInterlude(now) ? { rung: rungKey(now) } : {}), passes };
  });
  const skipped = planned.plan.blocks.filter((block) => !done.has(block.id));
  const [opening, first] = steps;
  const last = steps.at(-1);
  return {
    id,
    class: planned.plan.id,
    date,
    begun,
    ...(teacher ? { teacher: teacher.id } : {}),
    ...(audience ? { audience: audience.id } : {}),
    ...(present === undefined ? {} : { present }),
    source: mode === 'teach' ? 'live' : 'rehearsal',
    plan: plannedDay(planned, {
      class: planned.plan.name,
      ...(teacher ? { teacher: teacher.name } : {}),
      ...(audience ? { audience: audience.name } : {}),
    }),
    ...(opening && first ? { openingSeconds: tenths(first.begun) } : {}),
    ...(last?.key === 'closing' && ended !== null ? { closingSeconds: tenths(ended - last.begun) } : {}),
    ...(ended === null ? {} : { endedSeconds: tenths(ended) }),
    blocks: [...blocks, ...skipped.map((block): LoggedBlock => ({ id: block.id, did: 'skipped' }))],
  };
}

const byId = ({ blocks }: ClassPlan): ReadonlyMap<string, Block> => new Map(blocks.map((block) => [block.id, block]));

const tenths = (seconds: number): number => Math.round(seconds * 10) / 10;

/**
 * A pass as it was done.
 * @param next when the next stretch was begun, or the class ended
 * @param section of the class as it is planned now; none of what was taken out of it again
 */
function passDone(step: Step, next: number | undefined, section: ScriptSection | undefined): LoggedPass {
  const { begun, reps } = step;
  const until = next ?? Number.POSITIVE_INFINITY;
  const side = section?.side ? { side: section.side } : {};
  const way = section?.leadSeconds ?? 0;
  const there = { ...side, startSeconds: tenths(Math.min(begun + way, until)) };
  const times = section?.times ?? null;
  const [first] = reps;
  // A shown one is explained before and after: which of it is which nobody tapped.
  if (first === undefined || !section || !times || times.explained > 0) return there;
  const work = Math.max(begun, first - times.entry);
  const setup = times.setup + times.options;
  const share = way + setup > 0 ? way / (way + setup) : 0;
  const start = begun + (work - begun) * share;
  const rest = Math.max(0, section.seconds - setup - times.work);
  const end = next === undefined ? undefined : Math.max(reps.at(-1) as number, next - rest);
  const counted = repsCounted(step, end, times);
  return {
    ...side,
    startSeconds: tenths(start),
    setupSeconds: tenths(work - start),
    ...(end === undefined ? {} : { workSeconds: tenths(end - work) }),
    ...(counted === null ? {} : { reps: counted }),
    ...(end === undefined ? {} : { endSeconds: tenths(end) }),
  };
}

/** Repetitions that fit between the last one counted and the end of the work before it is plain that nobody counted on. */
const UNCOUNTED = 2.5;

/** Repetitions of one set and side; null where counting stopped long before the work did. */
function repsCounted({ reps }: Step, end: number | undefined, times: PassTimes): number | null {
  const last = reps.at(-1);
  if (last === undefined || end === undefined || end - last - times.exit > UNCOUNTED * times.rep) return null;
  return Math.round(reps.length / times.sets / (times.alternates ? 2 : 1));
}

/** A pass of a block that was changed on the way: its dose is the changed one, and its set-up was another than planned. */
function asChanged(pass: LoggedPass, before: Block, now: Block | undefined): LoggedPass {
  if (isInterlude(before) || !now || isInterlude(now)) return pass;
  const dose = now.dose?.reps;
  const counted = pass.reps === undefined && dose !== undefined && dose !== before.dose?.reps ? { reps: dose } : {};
  if (now.mode === before.mode && JSON.stringify(now.options) === JSON.stringify(before.options)) {
    return { ...pass, ...counted };
  }
  const { setupSeconds: _other, ...rest } = pass;
  return { ...rest, ...counted };
}
