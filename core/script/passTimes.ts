import type { LaidBlock, TimedBlock } from '../plan';
import { type Phase, phaseCounts } from '../repertoire';

/** What the seconds of one pass through a block are spent on, in the order they come. */
export interface PassTimes {
  /** Set-up without what is explained, then the options offered. */
  readonly setup: number;
  readonly options: number;
  /** Seconds of one count, and of the way in, one repetition and the way out. */
  readonly count: number;
  readonly entry: number;
  readonly rep: number;
  readonly exit: number;
  readonly sets: number;
  /** Repetitions of a set: of both sides together where they take turns. */
  readonly reps: number;
  readonly alternates: boolean;
  /** Between two sets. */
  readonly restBetween: number;
  /** All of the work. */
  readonly work: number;
  /** The phases of each part as they are done here; none of a way that nobody takes. */
  readonly phases: {
    readonly entry: readonly Phase[];
    readonly rep: readonly Phase[];
    readonly exit: readonly Phase[];
  };
  /** Explained after what was shown. */
  readonly explained: number;
}

const known = new WeakMap<LaidBlock, [PassTimes | undefined, PassTimes | undefined]>();

/** @param pass the first pass of a block, or its second side */
export function passTimes({ laid }: TimedBlock, pass: 1 | 2): PassTimes {
  const passes = known.get(laid) ?? [undefined, undefined];
  known.set(laid, passes);
  const times = passes[pass - 1] ?? timesOf(laid, pass);
  passes[pass - 1] = times;
  return times;
}

function timesOf(part: LaidBlock, pass: 1 | 2): PassTimes {
  const { entry, setup, explained, options, second, count, rep, entrySeconds, exitSeconds, sets } = part;
  const first = pass === 1;
  const alternates = entry.sides === 'alternate' && part.block.side === undefined && !part.shown;
  const reps = first ? part.reps * (alternates ? 2 : 1) : part.secondReps;
  const work = first ? part.work - second.work : second.work;
  const set = entrySeconds + reps * rep + exitSeconds;
  return {
    setup: first ? setup - explained - second.setup : second.setup,
    options: first ? options : 0,
    count,
    entry: entrySeconds,
    rep,
    exit: exitSeconds,
    sets,
    reps,
    alternates: first && alternates,
    restBetween: sets > 1 ? (work - sets * set) / (sets - 1) : 0,
    work,
    explained: first ? explained : 0,
    phases: {
      entry: entrySeconds > 0 ? (entry.rung.entry ?? []) : [],
      rep: entry.rung.phases,
      exit: exitSeconds > 0 ? (entry.rung.exit ?? []) : [],
    },
  };
}

/** Whole repetitions of one set of a pass. */
export const repsPerSet = ({ reps }: Pick<PassTimes, 'reps'>): number => Math.max(1, Math.round(reps));

/**
 * When a repetition begins, in seconds from the start of the set-up.
 * @param number counted over all sets, from 0
 */
export function repStart({ setup, options, entry, rep, reps, exit, restBetween }: PassTimes, number: number): number {
  const inSet = repsPerSet({ reps });
  const set = Math.floor(number / inSet);
  return setup + options + set * (entry + reps * rep + exit + restBetween) + entry + (number % inSet) * rep;
}

/** Where people are in a pass: before the effort, on the way in or out, in a repetition, between sets, or listening. */
export type Moment =
  | { readonly doing: 'setup' | 'rest' | 'explained' }
  | { readonly doing: 'entry' | 'rep' | 'exit'; readonly phase: Phase; readonly left: number; readonly rep: number };

/**
 * What is done so many seconds into a pass.
 * @param seconds from the start of its set-up
 */
export function momentIn(times: PassTimes, seconds: number): Moment {
  const { setup, options, entry, rep, exit, sets, reps, restBetween, work, explained } = times;
  let into = seconds - setup - options;
  if (into < 0) return { doing: 'setup' };
  if (into >= work) return { doing: into < work + explained ? 'explained' : 'rest' };
  const set = entry + reps * rep + exit;
  const number = Math.min(sets - 1, Math.floor(into / (set + restBetween)));
  into -= number * (set + restBetween);
  if (into < entry) return phaseOf('entry', times, into, 0);
  into -= entry;
  if (into < reps * rep) return phaseOf('rep', times, into % rep, Math.floor(into / rep));
  into -= reps * rep;
  return into < exit ? phaseOf('exit', times, into, 0) : { doing: 'rest' };
}

function phaseOf(doing: 'entry' | 'rep' | 'exit', { phases, count }: PassTimes, into: number, rep: number): Moment {
  let left = into;
  for (const phase of phases[doing]) {
    const own = phaseCounts(phase) * count;
    if (left < own) return { doing, phase, left: own - left, rep };
    left -= own;
  }
  const last = phases[doing].at(-1);
  return last ? { doing, phase: last, left: 0, rep } : { doing: 'rest' };
}
