import { DIRECTION_WORDS, type Direction } from '../method';
import type { Catalog, RungEntry } from './catalog';

export interface RungQuery {
  /** Words that must all be found, in any order, in the names, the position, the directions or the props. */
  readonly text?: string;
  readonly position?: string | undefined;
  readonly direction?: Direction | undefined;
}

/** Lower case without accents, so that a search finds a name however it is typed. */
const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** Everything a rung is found by; kept per catalog, since a search runs at every keystroke. */
const haystacks = new WeakMap<Catalog, Map<string, string>>();

function haystackOf(catalog: Catalog, entry: RungEntry): string {
  const known = haystacks.get(catalog) ?? new Map<string, string>();
  haystacks.set(catalog, known);
  const found = known.get(entry.key);
  if (found !== undefined) return found;
  const { exercise, rung, props } = entry;
  const directions = exercise.directions.flatMap((each) => [each, DIRECTION_WORDS[each]]);
  const position = [exercise.position, catalog.graph.name(exercise.position)];
  const words = [exercise.name, rung.name, ...position, ...directions, ...props.map(({ name }) => name)];
  const text = plain(words.join(' '));
  known.set(entry.key, text);
  return text;
}

/** The rungs a query finds, in the repertoire's order. */
export function findRungs(catalog: Catalog, { text = '', position, direction }: RungQuery): RungEntry[] {
  const words = plain(text).split(/\s+/).filter(Boolean);
  return catalog.rungs.filter((entry) => {
    if (position !== undefined && entry.exercise.position !== position) return false;
    if (direction !== undefined && !entry.exercise.directions.includes(direction)) return false;
    if (words.length === 0) return true;
    const haystack = haystackOf(catalog, entry);
    return words.every((word) => haystack.includes(word));
  });
}
