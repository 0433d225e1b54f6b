import type { Method } from '../../method';
import type { RungEntry } from '../../repertoire/catalog';
import type { Dose } from '../../repertoire/exercise';
import { formOf } from '../../repertoire/features/form';
import { speechSeconds } from '../../vocabulary/words/words';
import type { RungBlock } from '../class';
import { spokenWords } from '../spokenWords';
import type { PaceFactors } from './pace';

/** The dose a block is taught with: its rung's own, changed key by key; new repetitions drop the rung's range. */
export function doseOf({ rung }: RungEntry, { dose }: Pick<RungBlock, 'dose'>): Dose {
  if (!dose) return rung.dose;
  const { repsTo, stages, daysTo, ...own } = rung.dose;
  // What hangs on a number goes with it: the range of the repetitions, their stages, the range of the days.
  return {
    ...own,
    ...(dose.reps === undefined ? { ...(repsTo === undefined ? {} : { repsTo }), ...(stages ? { stages } : {}) } : {}),
    ...(dose.days === undefined && daysTo !== undefined ? { daysTo } : {}),
    ...dose,
  };
}

/** The repetitions that count: the middle of a range. */
export const repsOf = ({ reps, repsTo }: Pick<Dose, 'reps' | 'repsTo'>): number =>
  repsTo === undefined ? reps : (reps + repsTo) / 2;

/** Repetitions shown in mode `show` when the block does not say. Source: docs/timing.md. */
const SHOWN = 2;

/** Who is in the room and who teaches, as far as the clock asks. */
export interface Pacing {
  /** Multiplies changes of position. */
  readonly pace: number;
  /** Multiplies every count: the room's, and the teacher's typed one where no factor stands in its place. */
  readonly tempo: number;
  readonly wordsPerMinute: number;
  /** The teacher's own, as their logs tell it: where there is one, no tempo and no rate of words beside it. */
  readonly factors: PaceFactors;
}

/** How many times as long a count is as the dose's or the method's. */
export const tempoOf = ({ tempo, factors }: Pacing): number => tempo * (factors.work ?? 1);

/** Whether the block is done on one side and then on the other. */
export const changesSide = ({ sides }: RungEntry, { side, mode }: RungBlock): boolean =>
  sides === 'each' && side === undefined && mode !== 'show';

/** How a block hangs together with its neighbours. */
export interface BlockJoint {
  /** It goes on in the shape the last block ended in. */
  readonly carries: boolean;
  /** The next one goes on in this one's shape. */
  readonly carried: boolean;
  /** It begins a run, or stands alone and turns people round: its second side is set up once more. */
  readonly setsUpTwice: boolean;
}

/** Seconds of a block's own parts, without what lies between blocks or the change of side. */
export interface BlockSeconds {
  /** With the second side's set-up, and with what is explained after shown repetitions. */
  readonly setup: number;
  /** Of the set-up, what is explained after shown repetitions: nobody holds the shape meanwhile. */
  readonly explained: number;
  /** Seconds that the words of set-up and check take. */
  readonly spoken: number;
  /** Whether the set-up's length is known: typed, said in at least half of the guess, or a carrying on. */
  readonly setupKnown: boolean;
  readonly work: number;
  readonly options: number;
  readonly rest: number;
  /** Of the set-up and the work, what falls to the second side; 0 unless the block changes side. */
  readonly second: { readonly setup: number; readonly work: number };
  /** Seconds of one count, of one repetition, and of the way in and out as they are done here. */
  readonly count: number;
  readonly rep: number;
  readonly entrySeconds: number;
  readonly exitSeconds: number;
  readonly sets: number;
  /** Repetitions that count on the first side, and on the second where the block changes side. */
  readonly reps: number;
  readonly secondReps: number;
}

/**
 * Seconds of a set-up that nobody has typed: the longer of its guess and of its words, or, where a block that carries on
 * is worded by the class, those words and the time to find the next thing.
 */
export function untypedSetup(
  entry: RungEntry,
  block: RungBlock,
  method: Method,
  wordsPerMinute: number,
  carries: boolean,
): { readonly seconds: number; readonly spoken: number; readonly guess: number } {
  const words = spokenWords(entry, block);
  const flows = block.mode === 'flow';
  const spoken = speechSeconds(flows ? words.known : carries ? words.carried : words.fresh, wordsPerMinute);
  const guess = (carries ? method.carrySeconds : entry.rung.setupSeconds) * (flows ? method.flowSetupShare : 1);
  return { seconds: carries && words.ownSetup ? GOING_ON + spoken : Math.max(guess, spoken), spoken, guess };
}

/**
 * The timing formula of a block (docs/timing.md has it line by line). Seconds.
 * @param joint how it hangs together with its neighbours; `timeClass` knows
 */
export function blockSeconds(
  entry: RungEntry,
  block: RungBlock,
  method: Method,
  pacing: Pacing,
  joint: BlockJoint,
): BlockSeconds {
  const { rung, sides } = entry;
  const form = formOf(entry);
  const dose = block.dose ? doseOf(entry, block) : rung.dose;
  const { factors } = pacing;
  const workFactor = factors.work ?? 1;
  const planned = (dose.secondsPerCount ?? method.secondsPerCount) * pacing.tempo;
  const count = planned * workFactor;
  const rep = form.rep * count;
  const entrySeconds = joint.carries || block.mode === 'show' ? 0 : form.entry * count;
  const exitSeconds = joint.carried || block.mode === 'show' ? 0 : form.exit * count;
  const rests = (dose.sets - 1) * method.restBetweenSetsSeconds * workFactor;
  const one = (times: number) => dose.sets * (entrySeconds + times * rep + exitSeconds) + rests;

  const reps = repsOf(dose);
  const secondReps = block.secondDose?.reps ?? reps;
  const twice = changesSide(entry, block);
  const alternates = sides === 'alternate' && block.side === undefined;
  const shown = block.shown ?? SHOWN;
  const firstWork = block.mode === 'show' ? shown * rep : one(alternates ? 2 * reps : reps);
  const { carries } = joint;
  const ownTalk = carries ? factors.carry : factors.setup;
  const talk = ownTalk ?? 1;
  const wordsPerMinute = ownTalk === undefined ? pacing.wordsPerMinute : method.wordsPerMinute;
  const second = twice
    ? { setup: joint.setsUpTwice ? method.flowSetupShare * rung.setupSeconds * talk : 0, work: one(secondReps) }
    : NO_SECOND;

  const untyped = untypedSetup(entry, block, method, wordsPerMinute, carries);
  const { spoken, guess } = untyped;
  const setup = block.setupSeconds ?? untyped.seconds;
  const explained =
    block.mode === 'show' ? speechSeconds(spokenWords(entry, block).explained, wordsPerMinute) * talk : 0;
  const shownFirst = block.mode === 'teach' && !joint.carries ? method.shownReps * form.rep * planned : 0;
  const offered = block.options?.length ?? 0;
  return {
    setup: (setup + shownFirst) * talk + explained + second.setup,
    explained,
    spoken,
    setupKnown: carries || block.setupSeconds !== undefined || spoken * 2 >= guess,
    work: firstWork + second.work,
    options: method.optionSeconds * (offered - (joint.carries && offered > 0 ? 1 : 0)) * talk,
    rest: block.restAfterSeconds ?? 0,
    second,
    count,
    rep,
    entrySeconds,
    exitSeconds,
    sets: block.mode === 'show' ? 1 : dose.sets,
    reps: block.mode === 'show' ? shown : reps,
    secondReps: twice ? secondReps : 0,
  };
}

/**
 * Seconds that one repetition more adds to the work of a block, over its sets and sides.
 * @param timed the block as it is timed
 */
export function oneMoreRep({ entry, block, rep, sets }: OneTimed): number {
  if (block.mode === 'show') return rep;
  const alternates = entry.sides === 'alternate' && block.side === undefined;
  const follows = changesSide(entry, block) && block.secondDose?.reps === undefined;
  return sets * rep * (alternates || follows ? 2 : 1);
}
type OneTimed = Pick<BlockSeconds, 'rep' | 'sets'> & { readonly entry: RungEntry; readonly block: RungBlock };

const NO_SECOND = { setup: 0, work: 0 } as const;

/** Seconds in which people who carry on find the next thing, besides its words. Source: docs/timing.md. */
const GOING_ON = 4;
