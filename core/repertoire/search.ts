import { DIRECTION_WORDS, type Direction } from '../method';
import { FELT_EVERYDAY, wordsOfUse } from '../vocabulary/uses';
import type { Catalog, RungEntry } from './catalog';
import { usesOf } from './uses';

export interface RungQuery {
  /** Words that must all be found, in any order: in names, tags, position, directions, uses, props or cues, or as a level. */
  readonly text?: string;
  readonly position?: string | undefined;
  readonly direction?: Direction | undefined;
}

/** Lower case without accents, so that a search finds a name however it is typed. */
const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** What a rung is found by: what it is called first, then what is said in it. */
interface Haystack {
  readonly names: string;
  readonly said: string;
}

/** Kept per catalog, since a search runs at every keystroke. */
const haystacks = new WeakMap<Catalog, Map<string, Haystack>>();

function haystackOf(catalog: Catalog, entry: RungEntry): Haystack {
  const known = haystacks.get(catalog) ?? new Map<string, Haystack>();
  haystacks.set(catalog, known);
  const found = known.get(entry.key);
  if (found !== undefined) return found;
  const { exercise, rung, props, position: place } = entry;
  const directions = exercise.directions.flatMap((each) => [each, DIRECTION_WORDS[each], ...EVERYDAY[each]]);
  const position = [place, catalog.graph.name(place)];
  const called = [exercise.name, rung.name, ...(exercise.tags ?? [])];
  const { feltAt, goodFor } = usesOf(entry);
  const uses = [...feltAt, ...goodFor].map(wordsOfUse);
  const everyday = feltAt.flatMap((each) => FELT_EVERYDAY[each] ?? []);
  const words = [...called, ...position, ...directions, ...uses, ...everyday, ...props.map(({ name }) => name)];
  const said = (rung.cues ?? []).map(({ text }) => text);
  const haystack = { names: plain(words.join(' ')), said: plain(said.join(' ')) };
  known.set(entry.key, haystack);
  return haystack;
}

/** What people who have not read the method call a direction by. */
const EVERYDAY: Readonly<Record<Direction, readonly string[]>> = {
  neutral: ['core', 'stability'],
  flexion: ['abs', 'core', 'bend forward', 'curl'],
  extension: ['back bend', 'back'],
  rotation: ['twist', 'obliques', 'core'],
  'lateral-flexion': ['side stretch', 'obliques', 'waist'],
  articulation: ['roll', 'mobility', 'spine'],
};

/** Words that ask for a level, as the heats they mean; 100 is the hottest there is. */
const LEVELS: Readonly<Record<string, readonly [number, number]>> = {
  easy: [0, 22],
  gentle: [0, 22],
  beginner: [0, 34],
  beginners: [0, 34],
  improver: [26, 55],
  medium: [26, 55],
  advanced: [52, 100],
  hard: [52, 100],
  strong: [45, 100],
};

/** The rungs a query finds: what is called so in the repertoire's order, then what has the words in its cues. */
export function findRungs(catalog: Catalog, { text = '', position, direction }: RungQuery): RungEntry[] {
  const words = plain(text).split(/\s+/).filter(Boolean);
  const there = catalog.rungs.filter(
    ({ exercise, position: place }) =>
      (position === undefined || place === position) &&
      (direction === undefined || exercise.directions.includes(direction)),
  );
  if (words.length === 0) return there;
  const [called, said]: [RungEntry[], RungEntry[]] = [[], []];
  for (const entry of there) {
    const haystack = haystackOf(catalog, entry);
    const isLevel = (word: string) => {
      const range = LEVELS[word];
      return range !== undefined && catalog.heat(entry) >= range[0] && catalog.heat(entry) <= range[1];
    };
    if (words.every((word) => haystack.names.includes(word) || isLevel(word))) called.push(entry);
    // A short word stands in half of all sentences.
    else if (words.every((word) => word.length > 3 && (haystack.said.includes(word) || haystack.names.includes(word))))
      said.push(entry);
  }
  return [...called, ...said];
}
