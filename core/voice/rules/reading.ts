import { fleschKincaid } from 'flesch-kincaid';
import { syllable } from 'syllable';
import { remembering } from '../../vocabulary/remember';
import { wordsIn } from '../../vocabulary/words/words';

/** A text’s sentences and syllables. */
const measured = remembering((text: string) => {
  const whole = text.trim().replace(/[^.!?]$/, '$&.');
  return { sentence: (whole.match(/[.!?]+/g) ?? []).length, syllable: syllable(text), word: wordsIn(text) };
});

/** The Flesch–Kincaid grade of what is said: the years of school it asks for. Each text is a sentence or more. */
export function flesch(texts: readonly string[]): number {
  const counts = { sentence: 0, word: 0, syllable: 0 };
  for (const text of texts) {
    const own = measured(text);
    counts.sentence += own.sentence;
    counts.word += own.word;
    counts.syllable += own.syllable;
  }
  return counts.word === 0 ? 0 : fleschKincaid({ ...counts, sentence: Math.max(1, counts.sentence) });
}
