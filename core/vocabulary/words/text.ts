/**
 * Names, notes and cues are plain text: a tag in one is a pasted page or an attack, and would be shown as litter. What
 * stands between angles is taken piece by piece, so that a text is gone through once whatever is in it.
 */
const ANGLED = /<[^<>]*>/g;
/** A tag alone, one with a value, a comment; not words of a sentence that happen to stand between angles. */
const TAG = /^<\/?[a-z][a-z0-9-]*\s*\/?>$|^<[a-z][a-z0-9-]*[\s/][^<>]*=[^<>]*>$|^<[!?]/i;
const hasMarkup = (text: string): boolean => {
  for (const [piece] of text.matchAll(ANGLED)) if (TAG.test(piece)) return true;
  return false;
};
// Control characters, and the two that turn the order of all that follows, so that a name reads as another.
// biome-ignore lint/suspicious/noControlCharactersInRegex: control characters are exactly what is refused here.
const CONTROL = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u0084\u0086-\u009f\u202d\u202e]/;
/** Half of a pair that makes one character: no text can hold it. */
const HALF = /\p{Surrogate}/u;
/** Numbers that will never be a character. */
const NONE = /\p{Noncharacter_Code_Point}/u;
const ALL_NONE = /\p{Noncharacter_Code_Point}/gu;
/** What can’t be seen in a name and makes it another one: breaks of lines, marks of no width. */
const UNSEEN = /[\t\n\r\v\f\u0085\u00ad\u180e\u200b\u2028\u2029\u2060-\u2064\ufeff]/;

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
  if (hasMarkup(text)) return 'expected plain text, found markup';
  if (CONTROL.test(text)) return 'expected plain text, found a control character';
  if (NONE.test(text)) return 'expected plain text, found what is no character';
  return HALF.test(text) ? 'expected plain text, found half of a character' : undefined;
}

/** What keeps a text from being a name: a name is one line, and all of it can be seen. */
export const nameFault = (text: string): string | undefined =>
  markupFault(text) ??
  (UNSEEN.test(text) ? 'expected a name in one line, found a character that can’t be seen' : undefined);

/**
 * A name as an earlier version may have kept it, without what can’t be seen in it.
 * @example asName('Low\nleg') // 'Low leg'
 */
export const asName = (text: string): string =>
  text
    .replace(/[\t\n\r\v\f\u0085\u2028\u2029]+/g, ' ')
    .replace(new RegExp(UNSEEN, 'g'), '')
    .replace(ALL_NONE, '')
    .trim();

/** A text without numbers that are no characters. */
export const withoutNone = (text: string): string => (NONE.test(text) ? text.replace(ALL_NONE, '') : text);

/** What keeps a text from being kept, if anything does; spaces around it do not count. */
export function textFault(kind: TextKind, text: string): string | undefined {
  const [least, most] = TEXTS[kind];
  const { length } = text.trim();
  if (length < least) return 'expected at least one character';
  if (length > most) return `expected at most ${most} characters, found ${length}`;
  return kind === 'name' ? nameFault(text) : markupFault(text);
}
