import type { ReadCue } from './captions';

/** A word as it was heard, ready to be compared. */
export interface HeardWord {
  /** When it is said, seconds. */
  readonly at: number;
  /** As written, in small letters. */
  readonly text: string;
  readonly stem: string;
  /** What it sounds like, so that a recogniser's mistakes are near it; empty for what is too short to tell. */
  readonly sound: string;
}

/** The words of captions, each at its share of the caption's time. */
export const heardIn = (cues: readonly ReadCue[]): HeardWord[] =>
  cues.flatMap(({ from, to, text }) => {
    const own = tokensOf(text);
    return own.map((word, i) => heardWord(word, from + ((to - from) * i) / own.length));
  });

export const heardWord = (text: string, at: number): HeardWord => ({
  at,
  text,
  stem: stemOf(text),
  sound: soundOf(text),
});

/** Words in small letters, without marks. */
export const tokensOf = (text: string): string[] =>
  text
    .toLowerCase()
    .replace(/[’']/g, '')
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '');

/** A word without its endings. @example stemOf('lifting') // 'lift' */
export function stemOf(word: string): string {
  if (word.length < 4) return word;
  const short = word
    .replace(/(?:ies)$/, 'y')
    .replace(/(?:sses)$/, 'ss')
    .replace(/([^s])s$/, '$1')
    .replace(/(?:ing|edly|ed|ly)$/, '');
  const kept = short.length < 3 ? word : short;
  return kept.replace(/([bdfglmnprt])\1$/, '$1').replace(/e$/, '');
}

const SOUNDS: Readonly<Record<string, string>> = {
  b: '1',
  p: '1',
  d: '2',
  t: '2',
  f: '3',
  v: '3',
  g: '4',
  k: '4',
  c: '4',
  q: '4',
  m: '5',
  n: '5',
  l: '6',
  r: '6',
  s: '7',
  z: '7',
  x: '7',
  j: '8',
};
/** Sounds a word has at least to be told by them. */
const LEAST_SOUNDS = 3;

/** The consonants of a word in classes of what is mistaken for one another. */
function soundOf(word: string): string {
  const classes = [...stemOf(word)].map((letter) => SOUNDS[letter] ?? '').join('');
  const once = classes.replace(/(.)\1+/g, '$1');
  return once.length >= LEAST_SOUNDS ? once : '';
}

const ONES =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen twenty'.split(
    ' ',
  );
const VALUES = new Map(ONES.map((word, value) => [word, value]));

/** A number that was said; `null` for another word. */
export function numberOf(word: string): number | null {
  const value = VALUES.get(word) ?? (/^\d{1,2}$/.test(word) ? Number(word) : undefined);
  return value === undefined || value === 0 ? null : value;
}
