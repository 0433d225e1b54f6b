import { remembering } from '../remember';

/** How many words are said: runs between spaces that hold a letter or a digit. @example wordsIn('Down – up, 2') // 3 */
export const wordsIn = remembering(
  (text: string): number => text.split(/\s+/u).filter((run) => /[\p{L}\p{N}]/u.test(run)).length,
);

/** Words as they stand inside a sentence, and at its head. @example small('Leg lower') // 'leg lower' */
export const small = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Seconds that words take. @param wordsPerMinute how fast they are said */
export const speechSeconds = (words: number, wordsPerMinute: number): number => (words * 60) / wordsPerMinute;
