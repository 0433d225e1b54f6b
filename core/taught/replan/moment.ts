import { type ClassPlan, dayPace, type TimedBlock, type TimedClass, type TimedInterlude, timeClass } from '../../plan';
import type { Catalog } from '../../repertoire';
import type { ReviewContext } from '../../review';

type Part = TimedBlock | TimedInterlude;

/** Where a class stands: at the beginning of one side of a block. */
export interface Moment {
  /** The id of the block. */
  readonly block: string;
  /** 2 for its second side. */
  readonly pass: 1 | 2;
  /** Seconds since the class should have begun. */
  readonly elapsed: number;
  /** Seconds by which it began late. */
  readonly late: number;
  /** Blocks that were done, by id, or their first sides alone (`b2/1`); all before when unsaid. */
  readonly done?: readonly string[] | undefined;
}

/** A moment that can't be: the message says what was expected. */
export class NoMoment extends Error {}

/** A class at a moment: what of it is left, and how fast the day goes. */
export interface Stand {
  readonly moment: Moment;
  /** The class without what was passed over. */
  readonly plan: ClassPlan;
  readonly timed: TimedClass;
  /** What is left is so many times as long as planned. */
  readonly pace: number;
}

/**
 * A class at a moment.
 * @throws NoMoment for a block, a side or times that can't be
 */
export function standAt(catalog: Catalog, given: ClassPlan, context: ReviewContext, moment: Moment): Stand {
  const { block, pass, elapsed, late, done } = moment;
  const whole = timeClass(catalog, given, context);
  const begun = startOf(whole, block, pass);
  if (late < 0 || elapsed < late) {
    throw new NoMoment(
      `${elapsed} s after the beginning, with ${late} s begun late, can’t be; expected more of the first.`,
    );
  }
  const known = new Set(done?.map((each) => each.split('/')[0] as string));
  for (const id of known) {
    if (!given.blocks.some((each) => each.id === id))
      throw new NoMoment(`There is no block “${id}” in this class to have been done.`);
  }
  const gone = new Set<string>();
  // Planned seconds of what was done out of its turn, later in the class.
  let ahead = 0;
  if (done) {
    for (const part of whole.sequence) {
      const { id } = part.block;
      if (id === block) continue;
      // What should have been begun by now and was not is passed over, in a run with its second side.
      const due = part.startSeconds < begun - EPSILON;
      if (due === known.has(id)) continue;
      gone.add(id);
      if (!due) ahead += part.seconds;
    }
  }
  const plan = gone.size === 0 ? given : { ...given, blocks: given.blocks.filter(({ id }) => !gone.has(id)) };
  const timed = gone.size === 0 ? whole : timeClass(catalog, plan, context);
  const sofar = startOf(timed, block, pass) + ahead;
  return { moment, plan, timed, pace: dayPace(elapsed - late, sofar) };
}

/** When a class would end as it is now planned, in seconds since it should have begun. */
export const endsAt = ({ moment, pace }: Stand, timed: TimedClass): number =>
  moment.elapsed + pace * (timed.seconds - startOf(timed, moment.block, moment.pass));

/** Planned seconds to the beginning of a side. @throws NoMoment where there is none */
export function startOf({ sequence }: TimedClass, id: string, pass: 1 | 2): number {
  const part = sequence.find(({ block }) => block.id === id);
  if (!part) throw new NoMoment(`There is no block “${id}” in this class; expected the id of one.`);
  if (pass === 1) return part.startSeconds;
  const second = part.kind === 'block' ? part.slots[1] : undefined;
  if (!second) throw new NoMoment(`The block “${id}” has no second side; expected --pass 1, or a block for each side.`);
  return second.startSeconds;
}

const EPSILON = 1e-6;

/** What of a class is still to come, and what of it must stay as it is. */
export interface Left {
  /** Parts of which nothing is done, the one it stands at among them. */
  readonly whole: readonly Part[];
  /** Blocks whose second side alone is left. */
  readonly second: readonly TimedBlock[];
  /** The hottest left, of equals the last. */
  readonly peak: TimedBlock | null;
  /** The last of the class. */
  readonly ease: Part | null;
}

export function leftAt(catalog: Catalog, { moment }: Stand, timed: TimedClass): Left {
  const now = startOf(timed, moment.block, moment.pass);
  const whole = timed.sequence.filter(
    (part) => part.startSeconds >= now - EPSILON && !(part.block.id === moment.block && moment.pass === 2),
  );
  const second = timed.blocks.filter(
    (block) => !whole.includes(block) && (block.slots[1]?.startSeconds ?? Number.NEGATIVE_INFINITY) >= now - EPSILON,
  );
  let peak: TimedBlock | null = null;
  for (const block of timed.blocks) {
    if (block.shown || !(whole.includes(block) || second.includes(block))) continue;
    if (!peak || catalog.heat(block.entry) >= catalog.heat(peak.entry)) peak = block;
  }
  return { whole, second, peak, ease: timed.blocks.at(-1) ?? null };
}
