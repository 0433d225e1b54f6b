import { doseOf, type PlanEdit, repsOf, repsRangeOf, type TimedBlock } from '../../plan';
import type { Remedy } from '../finding';
import type { Subject } from '../subject/subject';
import { spell } from '../words/clock';

/** One small thing that gives seconds back, and how dear it is: the lower, the sooner it goes. */
interface Saving {
  readonly edit: PlanEdit;
  readonly seconds: number;
  readonly cost: number;
  readonly block: number;
}

/**
 * What teachers do when time is short: a little less of several late, lesser blocks, fewer offers, a block run that was
 * to be taught. Never one block cut to one repetition, never the peak, never the ease at the end.
 * @param seconds to be given back
 */
export function lessOfSeveral(subject: Subject, seconds: number): Remedy[] {
  const { timed, arc } = subject;
  const last = timed.blocks.at(-1);
  const spared = new Set([arc?.peak, last]);
  const free = timed.blocks.filter((block) => !block.block.locked && !spared.has(block));
  const fewer = enough(
    free.flatMap((block) => fewerReps(block, timed.blocks.length)),
    seconds,
  );
  const runs = enough(
    free.flatMap((block) => runInstead(subject, block)),
    seconds,
  );
  const silent = enough(
    free.flatMap((block) => offerLess(subject, block)),
    seconds,
  );
  return [
    ...(fewer ? [remedy(fewer, 'A little less of')] : []),
    ...(runs ? [remedy(runs, 'Run instead of teach')] : []),
    ...(silent ? [remedy(silent, 'Offer fewer options in')] : []),
    ...(last ? leaveOut(subject, free, seconds) : []),
  ];
}

const saved = (savings: readonly Saving[]): number => savings.reduce((sum, { seconds }) => sum + seconds, 0);

function remedy(savings: readonly Saving[], words: string): Remedy {
  const blocks = [...new Set(savings.map(({ block }) => block + 1))].sort((a, b) => a - b);
  const which = blocks.length === 1 ? `block ${blocks[0]}` : `blocks ${blocks.join(', ')}`;
  return { label: `${words} ${which} (−${spell(saved(savings))})`, edits: savings.map(({ edit }) => edit) };
}

/** The cheapest that give back enough; `null` when all of them do not. */
function enough(savings: Saving[], seconds: number): Saving[] | null {
  const taken: Saving[] = [];
  for (const each of savings.sort((a, b) => a.cost - b.cost)) {
    if (saved(taken) >= seconds) break;
    taken.push(each);
  }
  return taken.length > 0 && saved(taken) >= seconds ? taken : null;
}

/** A third of the repetitions at most, never below what still teaches; late blocks first. */
function fewerReps(block: TimedBlock, all: number): Saving[] {
  const { entry, index } = block;
  const reps = repsOf(doseOf(entry, block.block));
  const [least] = repsRangeOf(entry.rung);
  const fewer = Math.max(least, Math.ceil((reps * 2) / 3));
  if (fewer >= reps) return [];
  const edit: PlanEdit = { kind: 'dose', id: block.block.id, dose: { reps: fewer } };
  return [{ edit, seconds: (block.work * (reps - fewer)) / reps, cost: all - index, block: index }];
}

/** A block whose rung was taught earlier in the class needs no second teaching. */
function runInstead({ timed, catalog }: Subject, { block, entry, index, setup }: TimedBlock): Saving[] {
  const known = timed.blocks.some((each) => each.index < index && each.entry.key === entry.key);
  if (block.mode !== 'teach' || !known) return [];
  const seconds = setup * (1 - catalog.method.flowSetupShare);
  return [{ edit: { kind: 'set', id: block.id, change: { mode: 'flow' } }, seconds, cost: -seconds, block: index }];
}

/** Every offer but a lower one that the room needs. */
function offerLess({ catalog, limits }: Subject, { block, entry, index, options }: TimedBlock): Saving[] {
  if (options === 0 || catalog.heat(entry) > limits.homeHeat) return [];
  const edit: PlanEdit = { kind: 'set', id: block.id, change: { options: null } };
  return [{ edit, seconds: options, cost: -index, block: index }];
}

/** The late block that gives back enough with the least to spare. */
function leaveOut({ timed }: Subject, free: readonly TimedBlock[], seconds: number): Remedy[] {
  const late = free.filter(({ index }) => index >= timed.sequence.length / 2);
  const fitting = late.filter((block) => block.seconds >= seconds).sort((a, b) => a.seconds - b.seconds)[0];
  if (!fitting) return [];
  const { exercise, rung } = fitting.entry;
  return [
    {
      label: `Leave out block ${fitting.index + 1}, ${exercise.name}, ${rung.name} (−${spell(fitting.seconds)})`,
      edits: [{ kind: 'remove', id: fitting.block.id }],
    },
  ];
}
