import type { Method } from '../../method';
import { type OwnPace, PACE_KINDS, type PaceFactors, type PaceKind, rangeOfParts } from '../../plan';
import type { Log } from '../logSchema';
import { type DoneSlot, doneIn, type PlannedSlot, shareDone, slotsOf, wholly } from './slots';

/** How many times as long a teacher takes for one kind of thing, and how sure that is. */
interface PaceFactor {
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
  const own = logsOf(logs, teacher);
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

/** The logs of a teacher that count, by date. */
const logsOf = (logs: readonly Log[], { id }: PacedTeacher): Log[] =>
  logs
    .filter((log) => log.teacher === id && countsForPace(log))
    .sort((a, b) => (a.date + a.id < b.date + b.id ? -1 : 1));

/**
 * What a teacher's classes are timed with, from their logs: the same as in `paceOf`, without what was foretold of each
 * of them.
 * @returns null where no class of theirs is logged
 */
export function ownPaceOf(logs: readonly Log[], teacher: PacedTeacher, method: Method): OwnPace | null {
  const own = logsOf(logs, teacher);
  if (own.length === 0) return null;
  const { factors, day } = toldBy(own.map(measuredIn), teacher, method);
  return { factors, day };
}

/** One log, as far as it tells of pace. */
interface Measured {
  readonly log: Log;
  readonly slots: readonly PlannedSlot[];
  readonly done: readonly DoneSlot[];
  /** What was measured of each kind, and what was planned for it. */
  readonly sums: Readonly<Record<PaceKind, readonly [measured: number, planned: number]>>;
  readonly day: Day | null;
}

/** What was done as planned of a log, in the order it was to be done. */
export const doneOf = (log: Log): readonly DoneSlot[] => measuredIn(log).done;

/** Logs do not change: each is measured once. */
const known = new WeakMap<Log, Measured>();

function measuredIn(log: Log): Measured {
  const measured = known.get(log) ?? measure(log);
  known.set(log, measured);
  return measured;
}

function measure(log: Log): Measured {
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
  return { log, slots, done, sums, day: dayIn(log, done) };
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
  const apart = all.flatMap(({ day }) => (day ? (dayOf(day, typed) ?? []) : []));
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
function paced(slot: PlannedSlot, factors: PaceFactors): number {
  if (slot.interlude) return slot.work + slot.setup;
  const talk = (slot.block.carries ? factors.carry : factors.setup) ?? 1;
  return slot.setup * talk + slot.work * (factors.work ?? 1);
}

/** A day between its opening and its closing: what was measured, and what was planned of each kind for what was done. */
interface Day {
  readonly measured: number;
  readonly planned: Readonly<Record<'work' | 'setup' | 'carry' | 'change' | 'asPlanned', number>>;
}

/** `null` where nobody noted when it began or ended. */
function dayIn(log: Log, done: readonly DoneSlot[]): Day | null {
  const [first, last] = [done[0], done.at(-1)];
  if (!first || !last || first.start === undefined || last.end === undefined) return null;
  const planned = { work: 0, setup: 0, carry: 0, change: 0, asPlanned: 0 };
  done.forEach((slot, i) => {
    const { interlude, way, setup, work, rest, block } = slot.planned;
    if (i > 0) planned.change += way;
    if (interlude) planned.asPlanned += work + setup;
    else {
      planned.work += work * shareDone(slot);
      planned[block.carries ? 'carry' : 'setup'] += setup;
    }
    if (i < done.length - 1) planned.asPlanned += rest;
  });
  return { measured: last.end - first.start - elsewhere(log, first.start, last.end), planned };
}

/** How far a day as a whole was slower than its factors, as a logarithm. */
function dayOf({ measured, planned: of }: Day, factors: PaceFactors): number | null {
  const planned =
    of.asPlanned +
    of.work * (factors.work ?? 1) +
    of.setup * (factors.setup ?? 1) +
    of.carry * (factors.carry ?? 1) +
    of.change * (factors.change ?? 1);
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
  const pace = ownPaceOf(logs ?? [], teacher, method);
  return pace ? { ...teacher, pace } : teacher;
}
