import { splitRungKey } from '../repertoire';
import type { Log } from './logSchema';

/** What a log names that is not written down in its own plan, and so has to be in the studio. */
export interface Named {
  readonly classes?: string;
  readonly teachers?: string;
  readonly audiences?: string;
  readonly rooms?: string;
  /** Keys of rungs. */
  readonly rungs: readonly string[];
}

/**
 * What must be there for a log to be understood: all that it names and its own plan does not. A log that was kept with
 * its plan outlives its class, its teacher and its rungs.
 */
export function namedBy({ plan, class: id, teacher, audience, room, blocks = [] }: Log): Named {
  const names = plan?.names;
  const planned = new Set(plan?.blocks?.map((block) => block.id));
  const known = new Set(
    plan?.blocks?.flatMap(({ exercise, rung }) => (exercise && rung ? [`${exercise}/${rung}`] : [])),
  );
  // A block that the plan does not hold is looked for in the class.
  const whole = names?.class !== undefined && blocks.every((block) => block.did === 'added' || planned.has(block.id));
  return {
    ...(whole ? {} : { classes: id }),
    ...(teacher === undefined || names?.teacher !== undefined ? {} : { teachers: teacher }),
    ...(audience === undefined || names?.audience !== undefined ? {} : { audiences: audience }),
    ...(room === undefined || names?.room !== undefined ? {} : { rooms: room }),
    rungs: blocks.flatMap(({ rung }) => (rung === undefined || known.has(rung) ? [] : [rung])),
  };
}

/** The exercises among them. */
export const exercisesIn = ({ rungs }: Pick<Named, 'rungs'>): string[] =>
  rungs.map((key) => splitRungKey(key).exercise);
