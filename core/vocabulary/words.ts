import { remembering } from './remember';

/** How many words are said: runs between spaces that hold a letter or a digit. @example wordsIn('Down – up, 2') // 3 */
export const wordsIn = remembering(
  (text: string): number => text.split(/\s+/u).filter((run) => /[\p{L}\p{N}]/u.test(run)).length,
);

/** Seconds that words take. @param wordsPerMinute how fast they are said */
export const speechSeconds = (words: number, wordsPerMinute: number): number => (words * 60) / wordsPerMinute;
