import { judge } from '../../caution';
import { type RungEntry, usesOf } from '../../repertoire';
import type { Subject } from '../subject/subject';

/** Heat up to which something lets go. */
const EASY = 18;
/** What releases may be as much hotter than what breathes. */
const RELEASES = 8;
const releases = (entry: RungEntry): number => Number(usesOf(entry).goodFor.includes('release'));

/**
 * What can be done in a small rest in a position, the best first: the coolest of what releases or breathes, asks nothing
 * of anybody in the room and needs nothing; none where nothing lets go there.
 */
export function lettingGo(
  { catalog, graded }: Pick<Subject, 'catalog' | 'graded'>,
  position: string,
): readonly RungEntry[] {
  const open = catalog.rungs.filter(
    (entry) =>
      entry.position === position &&
      entry.props.length === 0 &&
      entry.sides === 'both' &&
      catalog.heat(entry) <= EASY &&
      usesOf(entry).goodFor.some((use) => use === 'release' || use === 'breath') &&
      judge(catalog, entry, graded).verdict === 'fine',
  );
  const ease = (entry: RungEntry) => catalog.heat(entry) - RELEASES * releases(entry);
  return open.sort((a, b) => ease(a) - ease(b));
}

/** What a small rest that does something is called. @example `Knees hugged, still` */
export const restName = ({ exercise, rung }: RungEntry): string => `${exercise.name}, ${rung.name.toLowerCase()}`;
