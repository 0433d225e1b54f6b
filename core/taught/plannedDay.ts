import type { TimedBlock, TimedClass, TimedInterlude } from '../plan';
import { titleOf } from '../review';
import type { PlannedDay } from './logSchema';

type PlannedBlock = NonNullable<PlannedDay['blocks']>[number];

/**
 * What was planned of a class, as its log keeps it: a log outlives its plan.
 * @param timed the class without a teacher's own pace
 */
export function plannedDay(timed: TimedClass, names: PlannedDay['names'] = {}): PlannedDay {
  const { opening, closing } = timed.parts;
  return {
    seconds: timed.seconds,
    openingSeconds: opening,
    closingSeconds: closing,
    names,
    blocks: timed.sequence.map((part) => (part.kind === 'block' ? plannedBlock(part) : plannedInterlude(part))),
  };
}

function plannedBlock(part: TimedBlock): PlannedBlock {
  const { block, entry, slots, setup, work, second, options, rest, sideChange, carries, setupKnown, change } = part;
  return {
    id: block.id,
    name: titleOf(part),
    exercise: entry.exercise.id,
    rung: entry.rung.id,
    passes: slots.map(({ side, startSeconds }, pass) => ({
      side,
      startSeconds,
      setup: pass === 0 ? setup - second.setup : second.setup,
      work: pass === 0 ? work - second.work : second.work,
      reps: pass === 0 ? part.reps : part.secondReps,
    })),
    change: change.seconds,
    sideChange,
    options,
    rest,
    carries,
    known: setupKnown,
    mode: block.mode,
  };
}

const plannedInterlude = (part: TimedInterlude): PlannedBlock => ({
  id: part.block.id,
  name: titleOf(part),
  passes: [{ side: null, startSeconds: part.startSeconds, work: part.seconds }],
  change: part.change.seconds,
});
