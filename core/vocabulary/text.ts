/** Names, notes and cues are plain text: a tag in one is a pasted page or an attack, and would be shown as litter. */
const MARKUP = /<\/?[a-z!][^>]*>/i;
// Control characters, and the two that turn the order of all that follows, so that a name reads as another.
// biome-ignore lint/suspicious/noControlCharactersInRegex: control characters are exactly what is refused here.
const CONTROL = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\u202d\u202e]/;
/** Half of a pair that makes one character: no text can hold it. */
const HALF = /\p{Surrogate}/u;

/** How long each kind of text may be, in characters, least and most. */
export const TEXTS = {
  /** A name. */
  name: [1, 120],
  /** A sentence or a short paragraph. */
  sentence: [1, 600],
  /** An optional longer note; may be empty. */
  note: [0, 4000],
} as const satisfies Record<string, readonly [least: number, most: number]>;
export type TextKind = keyof typeof TEXTS;

/** What keeps a text from being plain, if anything does. */
export function markupFault(text: string): string | undefined {
  if (MARKUP.test(text)) return 'expected plain text, found markup';
  if (CONTROL.test(text)) return 'expected plain text, found a control character';
  return HALF.test(text) ? 'expected plain text, found half of a character' : undefined;
}

/** What keeps a text from being kept, if anything does; spaces around it do not count. */
export function textFault(kind: TextKind, text: string): string | undefined {
  const [least, most] = TEXTS[kind];
  const { length } = text.trim();
  if (length < least) return 'expected at least one character';
  if (length > most) return `expected at most ${most} characters, found ${length}`;
  return markupFault(text);
}
