import type { Method } from '../../method';
import { type OwnPace, PACE_KINDS, type PaceFactors, type PaceKind, rangeOfParts } from '../../plan';
import type { Log } from '../logSchema';
import { type DoneSlot, doneIn, type PlannedSlot, shareDone, slotsOf, wholly } from './slots';

/** How many times as long a teacher takes for one kind of thing, and how sure that is. */
export interface PaceFactor {
  readonly factor: number;
  /** Between these it lies for four teachers in five with such logs. */
  readonly low: number;
  readonly high: number;
  /** Logs it rests on. */
  readonly classes: number;
}

/** What a teacher's classes teach about how long theirs take. */
export interface Pace extends OwnPace {
  readonly teacher: string;
  readonly classes: number;
  /** A kind nobody has logged has none. */
  readonly kinds: Readonly<Partial<Record<PaceKind, PaceFactor>>>;
  /** Of classes done as planned, how many ended in the range that was foretold from the logs before them. */
  readonly inside: { readonly of: number; readonly in: number };
  /** Those classes, by date. */
  readonly ended: readonly EndedClass[];
}

/** When a class ended, and the range it was foretold to end in from the logs before it, in seconds. */
export interface EndedClass {
  readonly log: string;
  readonly date: string;
  readonly class: string;
  readonly p10: number;
  readonly p90: number;
  readonly endedSeconds: number;
}

/** Whether a class ended within its range. */
export const isInside = ({ p10, p90, endedSeconds }: EndedClass): boolean => endedSeconds >= p10 && endedSeconds <= p90;

/** As if three classes had gone as typed. Source: contract, “Pace”; so are all figures here. */
const PRIOR = 3;
/** Spread of a kind before anything is logged, as a standard deviation of its logarithm. */
const SPREAD = { work: 0.1, others: 0.3 } as const;
/** Seconds planned from which a log counts in full. */
const FULL_SECONDS = 60;
/** Standard normal quantile of 0.9, to the figures the contract has. */
const Z = 1.28;

/** Whether a log counts for its teacher’s pace: a rehearsal is no class. */
export const countsForPace = ({ teacher, source }: Pick<Log, 'teacher' | 'source'>): boolean =>
  teacher !== undefined && source !== 'rehearsal';

interface PacedTeacher {
  readonly id: string;
  /** Typed: multiplies every count. */
  readonly tempo?: number | undefined;
}

/**
 * A teacher's pace, from the logs of their classes taught or written down; rehearsals do not count.
 * @param logs all there are, of any teacher
 */
export function paceOf(logs: readonly Log[], teacher: PacedTeacher, method: Method): Pace {
  const own = logs
    .filter((log) => log.teacher === teacher.id && countsForPace(log))
    .sort((a, b) => (a.date + a.id < b.date + b.id ? -1 : 1));
  const measured = own.map(measuredIn);
  const { kinds, factors, day } = toldBy(measured, teacher, method);
  const ended = own.flatMap((log, i): EndedClass[] => {
    const { id, date, class: of, endedSeconds, plan } = log;
    if (endedSeconds === undefined || !plan || !wholly(log)) return [];
    const before = toldBy(measured.slice(0, i), teacher, method);
    const { p10, p90 } = foretold(measured[i] as Measured, before, method);
    return [{ log: id, date, class: of, p10, p90, endedSeconds }];
  });
  const inside = { of: ended.length, in: ended.filter(isInside).length };
  return { teacher: teacher.id, classes: own.length, kinds, factors, day, inside, ended };
}

/** One log, as far as it tells of pace. */
interface Measured {
  readonly log: Log;
  readonly slots: readonly PlannedSlot[];
  readonly done: readonly DoneSlot[];
  /** What was measured of each kind, and what was planned for it. */
  readonly sums: Readonly<Record<PaceKind, readonly [measured: number, planned: number]>>;
}

function measuredIn(log: Log): Measured {
  const slots = log.plan ? slotsOf(log.plan) : [];
  const done = doneIn(log, slots);
  const sums: Record<PaceKind, [number, number]> = {
    work: [0, 0],
    setup: [0, 0],
    carry: [0, 0],
    change: [0, 0],
    opening: [log.openingSeconds ?? 0, log.openingSeconds === undefined ? 0 : (log.plan?.openingSeconds ?? 0)],
  };
  const add = (kind: PaceKind, was: number, planned: number) => {
    sums[kind][0] += was;
    sums[kind][1] += planned;
  };
  const starts = (log.blocks ?? []).flatMap(({ passes = [] }) =>
    passes.flatMap(({ startSeconds }) => startSeconds ?? []),
  );
  done.forEach((slot, i) => {
    const { planned, setup, work, end } = slot;
    if (!planned.interlude) {
      if (work !== undefined) add('work', work, planned.work * shareDone(slot));
      if (setup !== undefined) add(planned.block.carries ? 'carry' : 'setup', setup, planned.setup);
    }
    const next = done[i + 1];
    if (!next || next.at !== slot.at + 1 || end === undefined || next.start === undefined) return;
    const { start } = next;
    // Something else was done in between.
    if (start < end || starts.some((other) => other > end && other < start)) return;
    add('change', Math.max(0, start - end - planned.rest), next.planned.way);
  });
  return { log, slots, done, sums };
}

interface Told {
  readonly kinds: Readonly<Partial<Record<PaceKind, PaceFactor>>>;
  readonly factors: PaceFactors;
  readonly day: number;
}

function toldBy(all: readonly Measured[], teacher: PacedTeacher, { uncertainty }: Method): Told {
  const kinds: Partial<Record<PaceKind, PaceFactor>> = {};
  const factors: Partial<Record<PaceKind, number>> = {};
  for (const kind of PACE_KINDS) {
    const found = factorOf(kind, all, kind === 'work' ? (teacher.tempo ?? 1) : 1);
    if (!found) continue;
    kinds[kind] = found;
    factors[kind] = found.factor;
  }
  // A kind without a factor is as typed: the day is what is left beside it.
  const typed: PaceFactors = { ...(teacher.tempo === undefined ? {} : { work: teacher.tempo }), ...factors };
  const apart = all.flatMap((each) => dayOf(each, typed) ?? []);
  const squares = PRIOR * uncertainty.teacher ** 2 + apart.reduce((sum, d) => sum + d ** 2, 0);
  return { kinds, factors, day: Math.sqrt(squares / (PRIOR + apart.length)) };
}

/** One kind's factor over some logs; `null` where none tells of it. */
function factorOf(kind: PaceKind, all: readonly Measured[], typed: number): PaceFactor | null {
  const told = all.flatMap(({ sums }) => {
    const [was, planned] = sums[kind];
    return was > 0 && planned > 0 ? [{ r: Math.log(was / planned), w: Math.min(1, planned / FULL_SECONDS) }] : [];
  });
  if (told.length === 0) return null;
  const weight = told.reduce((sum, { w }) => sum + w, 0);
  const middle = (PRIOR * Math.log(typed) + told.reduce((sum, { r, w }) => sum + w * r, 0)) / (weight + PRIOR);
  const prior = kind === 'work' ? SPREAD.work : SPREAD.others;
  const squares = PRIOR * prior ** 2 + told.reduce((sum, { r, w }) => sum + w * (r - middle) ** 2, 0);
  const half = (Z * Math.sqrt(squares / (PRIOR + weight))) / Math.sqrt(weight + PRIOR);
  const at = (offset: number) => Math.exp(middle + offset);
  return { factor: at(0), low: at(-half), high: at(half), classes: told.length };
}

/** What a slot takes with factors, without the way to it. */
function paced(slot: PlannedSlot, factors: PaceFactors, share = 1): number {
  if (slot.interlude) return slot.work + slot.setup;
  const talk = (slot.block.carries ? factors.carry : factors.setup) ?? 1;
  return slot.setup * talk + slot.work * share * (factors.work ?? 1);
}

/** How far a day as a whole was slower than its factors, as a logarithm; `null` where nobody noted when it began or ended. */
function dayOf({ log, done }: Measured, factors: PaceFactors): number | null {
  const [first, last] = [done[0], done.at(-1)];
  if (!first || !last || first.start === undefined || last.end === undefined) return null;
  let planned = 0;
  done.forEach((slot, i) => {
    if (i > 0) planned += slot.planned.way * (factors.change ?? 1);
    planned += paced(slot.planned, factors, shareDone(slot)) + (i < done.length - 1 ? slot.planned.rest : 0);
  });
  const measured = last.end - first.start - elsewhere(log, first.start, last.end);
  return planned > 0 && measured > 0 ? Math.log(measured / planned) : null;
}

/** Seconds spent on what was not planned, with the way to it. */
function elsewhere({ blocks = [] }: Log, from: number, to: number): number {
  const passes = blocks
    .flatMap(({ did, passes = [] }) =>
      passes.flatMap(({ startSeconds, endSeconds, setupSeconds = 0, workSeconds }) => {
        if (startSeconds === undefined) return [];
        const end =
          endSeconds ?? (workSeconds === undefined ? startSeconds : startSeconds + setupSeconds + workSeconds);
        return [{ did, start: startSeconds, end }];
      }),
    )
    .sort((a, b) => a.start - b.start);
  return passes.reduce((sum, { did, start, end }, i) => {
    if ((did !== 'other' && did !== 'added') || start < from || end > to) return sum;
    const before = passes[i - 1]?.end ?? start;
    return sum + Math.max(0, end - Math.min(before, start));
  }, 0);
}

/** The range a class was foretold to end in, from its own kept plan. */
function foretold({ log, slots }: Measured, { factors, day }: Told, { uncertainty }: Method) {
  const { openingSeconds = 0, closingSeconds = 0 } = log.plan ?? {};
  const opening = openingSeconds * (factors.opening ?? 1);
  const parts = slots.map((slot) => {
    const { interlude, rest, block } = slot;
    const way = slot.way * (factors.change ?? 1);
    if (interlude) return { work: 0, setup: 0, setupUnknown: 0, changes: way, rest: paced(slot, factors) + rest };
    const work = slot.work * (factors.work ?? 1);
    const talk = paced(slot, factors) - work;
    const known = block.known ?? false;
    return { work, setup: known ? talk : 0, setupUnknown: known ? 0 : talk, changes: way, rest };
  });
  return rangeOfParts({ opening, closing: closingSeconds, parts }, { ...uncertainty, teacher: day });
}

/** A teacher as classes are timed for them: with their own pace, where they have logs. */
export function pacedTeacher<T extends PacedTeacher>(
  teacher: T | undefined,
  logs: readonly Log[] | undefined,
  method: Method,
): (T & { readonly pace?: OwnPace }) | undefined {
  if (!teacher) return undefined;
  const { classes, factors, day } = paceOf(logs ?? [], teacher, method);
  return classes === 0 ? teacher : { ...teacher, pace: { factors, day } };
}
