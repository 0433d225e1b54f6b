import { DIRECTION_WORDS, type Direction } from '../../method';
import { FELT_EVERYDAY, wordsOfUse } from '../../vocabulary/bodies/uses';
import type { Catalog, RungEntry } from '../catalog';
import { usesOf } from './uses';

export interface RungQuery {
  /** Words that must all be found, in any order: in names, tags, position, directions, uses, props or cues, or as a level. */
  readonly text?: string;
  readonly position?: string | undefined;
  readonly direction?: Direction | undefined;
}

/** Lower case without accents, commas and the like, so that a search finds a name however it is typed. */
const plain = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[,.;:()]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** What a rung is found by. */
interface Haystack {
  /** The names it goes by: its exercise’s, with its own after it, its own alone, and its tags. */
  readonly names: readonly string[];
  /** Those, and its position, directions, uses and props, as one text. */
  readonly about: string;
  /** What is said in it. */
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
  const names = [exercise.name, `${exercise.name} ${rung.name}`, rung.name, ...(exercise.tags ?? [])].map(plain);
  const haystack = { names, about: plain(words.join(' ')), said: plain(said.join(' ')) };
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

/** How well a rung answers a text: 0 is what is called just so; more is worse. */
export type MatchRank = 0 | 1 | 2 | 3 | 4;

/**
 * The rungs a query finds, with how well each answers it: 0 where a name is the text, 1 where one begins with it, 2
 * where each word begins a word of its names, 3 where the words stand in its names, position, directions, uses or props
 * or ask for its level, 4 where they stand only in its cues. Without words everything found is 0.
 */
export function rankRungs(catalog: Catalog, { text = '', position, direction }: RungQuery): Map<RungEntry, MatchRank> {
  const sought = plain(text);
  const words = sought.split(' ').filter(Boolean);
  const found = new Map<RungEntry, MatchRank>();
  for (const entry of catalog.rungs) {
    if (position !== undefined && entry.position !== position) continue;
    if (direction !== undefined && !entry.exercise.directions.includes(direction)) continue;
    const rank = words.length === 0 ? 0 : rankOf(catalog, entry, sought, words);
    if (rank !== null) found.set(entry, rank);
  }
  return found;
}

function rankOf(catalog: Catalog, entry: RungEntry, sought: string, words: readonly string[]): MatchRank | null {
  const { names, about, said } = haystackOf(catalog, entry);
  const isLevel = (word: string) => {
    const range = LEVELS[word];
    return range !== undefined && catalog.heat(entry) >= range[0] && catalog.heat(entry) <= range[1];
  };
  if (!words.every((word) => about.includes(word) || isLevel(word))) {
    // A short word stands in half of all sentences.
    return words.every((word) => word.length > 3 && (said.includes(word) || about.includes(word))) ? 4 : null;
  }
  if (names.includes(sought)) return 0;
  if (names.some((name) => name.startsWith(sought))) return 1;
  const begins = (word: string) => names.some((name) => ` ${name}`.includes(` ${word}`));
  return words.every(begins) ? 2 : 3;
}

/** The rungs a query finds, the best answer first, and those that answer alike in the repertoire's order. */
export function findRungs(catalog: Catalog, query: RungQuery): RungEntry[] {
  return [...rankRungs(catalog, query)].sort(([, a], [, b]) => a - b).map(([entry]) => entry);
}
