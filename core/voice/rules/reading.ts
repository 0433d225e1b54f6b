import { fleschKincaid } from 'flesch-kincaid';
import { syllable } from 'syllable';
import { wordsIn } from '../speech';

/** The Flesch–Kincaid grade of what is said: the years of school it asks for. Each text is a sentence or more. */
export function flesch(texts: readonly string[]): number {
  const text = texts.map((each) => each.trim().replace(/[^.!?]$/, '$&.')).join(' ');
  const sentence = Math.max(1, (text.match(/[.!?]+/g) ?? []).length);
  const word = texts.reduce((sum, each) => sum + wordsIn(each), 0);
  return word === 0 ? 0 : fleschKincaid({ sentence, word, syllable: syllable(text) });
}
