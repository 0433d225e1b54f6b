import type { Chance } from '../../vocabulary/chance';

/** What a stand-in teacher says in other words. Kept apart from whatever reads captions back: it may not know these. */
const OTHERWISE: ReadonlyArray<readonly [RegExp, readonly string[]]> = [
  [/\blower\b/gi, ['bring down', 'let down']],
  [/\blift\b/gi, ['raise', 'pick up']],
  [/\bslide\b/gi, ['glide', 'move']],
  [/\bkeep\b/gi, ['hold', 'leave']],
  [/\bstay(s)?\b/gi, ['remain$1']],
  [/\bbreathe in\b/gi, ['inhale', 'take a breath']],
  [/\bbreathe out\b/gi, ['exhale', 'let the breath go']],
  [/\bbend\b/gi, ['fold']],
  [/\bturn\b/gi, ['rotate', 'twist']],
  [/\breach\b/gi, ['stretch out', 'lengthen']],
  [/\bslowly\b/gi, ['with time', 'gently']],
  [/\bback\b/gi, ['spine']],
  [/\bbelly\b/gi, ['tummy', 'middle']],
  [/\bfloor\b/gi, ['ground', 'mat']],
  [/\btogether\b/gi, ['side by side']],
  [/\bknees?\b/gi, ['leg']],
  [/\bone\b/gi, ['a single']],
  [/\bboth\b/gi, ['two']],
];
const BEFORE = ['now', 'and from here', 'this time', 'when you are ready', 'see if you can', 'I would like you to', ''];
const FILLERS = ['um', 'okay', 'so', 'yeah', 'you know', 'right then', 'uh', 'good', 'lovely', 'all right', 'well'];

/** A sentence in other words: some of them, another beginning, now and then a clause less. */
export function otherwise(text: string, chance: Chance): string {
  let said = text;
  for (const [from, to] of OTHERWISE) if (chance.share() < 0.6) said = said.replace(from, chance.one(to));
  const clauses = said.split(/[,;:]\s+/);
  if (clauses.length > 2 && chance.share() < 0.3) clauses.splice(1 + chance.below(clauses.length - 1), 1);
  const begin = chance.one(BEFORE);
  return begin === '' ? clauses.join(', ') : `${begin} ${clauses.join(', ')}`;
}

/** Words besides, as a share of all, and words heard as others: what a recogniser makes of speech. */
export function heard(words: readonly string[], { fillers, misheard }: Heard, chance: Chance): string[] {
  const out: string[] = [];
  for (const word of words) {
    if (chance.share() < fillers) out.push(...chance.one(FILLERS).split(' '));
    if (chance.share() >= misheard) out.push(word);
    else {
      const wrong = wrongly(word, words, chance);
      if (wrong !== '') out.push(wrong);
    }
  }
  return out;
}
interface Heard {
  readonly fillers: number;
  readonly misheard: number;
}

const LIKE: Readonly<Record<string, string>> = {
  a: 'e',
  e: 'i',
  i: 'e',
  o: 'u',
  u: 'o',
  b: 'p',
  p: 'b',
  d: 't',
  t: 'd',
  f: 'v',
  v: 'f',
  g: 'k',
  k: 'g',
  m: 'n',
  n: 'm',
  s: 'z',
  l: 'r',
  r: 'l',
};

/** A word as it is misheard: a letter like another, another word that was near, or nothing. */
function wrongly(word: string, near: readonly string[], chance: Chance): string {
  const kind = chance.share();
  if (kind < 0.2) return '';
  if (kind < 0.45) return chance.one(near);
  const letters = [...word.toLowerCase()];
  const at = chance.below(letters.length);
  letters[at] = LIKE[letters[at] as string] ?? 'n';
  return letters.join('');
}
