import type { ClassPlan } from '../plan';
import type { Log } from './logSchema';

/** When one side of a block was begun in a rehearsal, holds left out. */
export interface Mark {
  readonly block: string;
  readonly pass: number;
  readonly startSeconds: number;
}

/** A class spoken through against the clock. */
export interface Rehearsed {
  /** The day, `YYYY-MM-DD`, and the time of the day, `HH:MM`. */
  readonly date: string;
  readonly begun?: string | undefined;
  readonly teacher?: string | undefined;
  /** How long it took, holds left out. */
  readonly seconds: number;
  readonly marks: readonly Mark[];
}

interface NamedBlock {
  readonly id: string;
  readonly name?: string | undefined;
}

/**
 * A rehearsal as the log it is kept as. It never counts for a teacher's pace.
 * @param plan the class, with the blocks as they are called
 */
export function logOfRehearsal(
  id: string,
  plan: Pick<ClassPlan, 'id' | 'name'> & { readonly blocks: readonly NamedBlock[] },
  { date, begun, teacher, seconds, marks }: Rehearsed,
  teacherName?: string,
): Log {
  const passesOf = (block: string) =>
    marks
      .filter((mark) => mark.block === block)
      .sort((a, b) => a.pass - b.pass)
      .map(({ startSeconds }) => ({ startSeconds }));
  const done = plan.blocks.filter((block) => passesOf(block.id).length > 0);
  return {
    id,
    class: plan.id,
    date,
    ...(begun === undefined ? {} : { begun }),
    ...(teacher === undefined ? {} : { teacher }),
    source: 'rehearsal',
    plan: {
      names: { class: plan.name, ...(teacherName === undefined ? {} : { teacher: teacherName }) },
      blocks: plan.blocks.map((block) => ({ id: block.id, ...(block.name === undefined ? {} : { name: block.name }) })),
    },
    endedSeconds: seconds,
    blocks: done.map((block) => ({ id: block.id, did: 'planned' as const, passes: passesOf(block.id) })),
  };
}

/** The rehearsals of a class, the latest last. */
export const rehearsalsOf = (logs: readonly Log[], id: string): Log[] =>
  logs
    .filter((log) => log.class === id && log.source === 'rehearsal')
    .sort((a, b) => `${a.date} ${a.begun ?? ''}`.localeCompare(`${b.date} ${b.begun ?? ''}`));
