import type { TimedClass } from '../plan';
import type { Log } from './logSchema';
import { plannedDay } from './plannedDay';

type LoggedBlock = NonNullable<Log['blocks']>[number];

/** Who taught a class when, and to whom. */
interface HandDay {
  readonly id: string;
  /** `YYYY-MM-DD`. */
  readonly date: string;
  readonly teacher?: { readonly id: string; readonly name: string } | undefined;
  readonly audience?: { readonly id: string; readonly name: string } | undefined;
}

/**
 * A class as it was planned, as the log of a day on which it went so: whoever writes it says only what was otherwise.
 * @param timed the class without a teacher's own pace
 */
export function logByHand(timed: TimedClass, { id, date, teacher, audience }: HandDay): Log {
  return {
    id,
    class: timed.plan.id,
    date,
    ...(teacher ? { teacher: teacher.id } : {}),
    ...(audience ? { audience: audience.id } : {}),
    source: 'hand',
    plan: plannedDay(timed, {
      class: timed.plan.name,
      ...(teacher ? { teacher: teacher.name } : {}),
      ...(audience ? { audience: audience.name } : {}),
    }),
    blocks: timed.plan.blocks.map((block): LoggedBlock => ({ id: block.id, did: 'planned' })),
  };
}

/** What became of a block: as planned, left out, or another rung of its ladder by its key. */
export type BlockDeed = 'planned' | 'skipped' | { readonly rung: string };

/** A log in which something else became of a block: what was measured of it goes with what it no longer is. */
export function withDeed(log: Log, id: string, deed: BlockDeed): Log {
  return withBlock(log, id, ({ passes, options, faults, rung: _rung, ...block }) => {
    if (deed === 'skipped') return { ...block, did: 'skipped' };
    const kept = { ...block, ...(passes ? { passes } : {}) };
    if (deed !== 'planned') return { ...kept, did: 'other', rung: deed.rung };
    return { ...kept, did: 'planned', ...(options ? { options } : {}), ...(faults ? { faults } : {}) };
  });
}

/** A log in which so many people took an option; none is nobody. */
export const withOption = (log: Log, id: string, option: string, people: number): Log =>
  withBlock(log, id, ({ options, ...block }) => {
    const { [option]: _was, ...others } = options ?? {};
    const all = people > 0 ? { ...others, [option]: people } : others;
    return Object.keys(all).length > 0 ? { ...block, options: all } : block;
  });

/** A log in which a fault was seen, or was not. */
export const withFault = (log: Log, id: string, cue: string, seen: boolean): Log =>
  withBlock(log, id, ({ faults = [], ...block }) => {
    const all = [...faults.filter((each) => each !== cue), ...(seen ? [cue] : [])];
    // None seen is known too, once somebody has looked.
    return { ...block, faults: all };
  });

/** A log with a note on a block. */
export const withBlockNote = (log: Log, id: string, note: string): Log =>
  withBlock(log, id, ({ note: _was, ...block }) => (note === '' ? block : { ...block, note }));

const withBlock = (log: Log, id: string, change: (block: LoggedBlock) => LoggedBlock): Log => ({
  ...log,
  blocks: (log.blocks ?? []).map((block) => (block.id === id ? change(block) : block)),
});
