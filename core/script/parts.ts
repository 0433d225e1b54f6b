import { DIRECTION_WORDS } from '../method';
import type { ClassPlan, TimedBlock } from '../plan';
import type { Catalog } from '../repertoire';

/**
 * The part of a class a block belongs to, as the order of the class has its parts: a position, a direction of the
 * spine, a ladder that grows, or what is known from last time.
 * @param earlier keys of the rungs met in earlier episodes
 */
export function partHeading(
  catalog: Catalog,
  { order = catalog.method.order }: Pick<ClassPlan, 'order'>,
  { entry, position }: TimedBlock,
  earlier: ReadonlySet<string> | undefined,
): string {
  if (order === 'layered') return `${entry.exercise.name}, layer by layer`;
  if (order === 'recap') return earlier?.has(entry.key) ? 'From last time' : 'New today';
  const words =
    order === 'directions' ? DIRECTION_WORDS[entry.exercise.directions[0] ?? 'neutral'] : catalog.graph.name(position);
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
}
