import type { Catalog } from '../../repertoire/catalog';
import { type ClassPlan, isInterlude } from '../class';
import { type Taught, timeClass } from '../clock/timeClass';
import type { Problem } from './problem';

/**
 * Blocks said to carry on where they cannot: at the start, or after a change of position or props. A file that says so
 * is refused; where another document was changed since, the class is timed as not carrying, with a finding.
 * @returns problems with paths inside the class; none while the class does not fit at all (see `checkClass`)
 */
export function checkCarries(catalog: Catalog, plan: ClassPlan, taught: Taught = {}): Problem[] {
  if (!plan.blocks.some((block) => !isInterlude(block) && block.carry)) return [];
  return timeClass(catalog, plan, taught).blocks.flatMap(({ carryLost, index, entry }): Problem[] =>
    carryLost
      ? [
          {
            path: ['blocks', index, 'carry'],
            message: `“${entry.key}” can’t carry on here; expected a block before it in the same position with the same props.`,
          },
        ]
      : [],
  );
}
