import type { Left, Verdict } from '@warm-ladder/core/caution';

/** How grave a caution is: a word and a shape, so that neither stands alone. */
const MARKS = {
  fine: { word: 'fine', look: 'text-moss', sign: '○' },
  adapt: { word: 'adapt', look: 'text-soft', sign: '◔' },
  swap: { word: 'swap', look: 'text-cobalt', sign: '◑' },
  'clear-first': { word: 'ask a professional first', look: 'text-alarm', sign: '●' },
} as const satisfies Record<Verdict, { word: string; look: string; sign: string }>;

const ELSE: Readonly<Record<Exclude<Left, Verdict>, string>> = {
  'too-hot': 'hotter than all can take',
  'not-at-hand': 'its prop is not there',
};

/** What becomes of a rung, in words. */
export const leftWord = (left: Left): string =>
  left === 'too-hot' || left === 'not-at-hand' ? ELSE[left] : MARKS[left].word;

export function CautionMark({ verdict }: { verdict: Verdict }) {
  const { word, look, sign } = MARKS[verdict];
  return (
    <span className={`font-semibold whitespace-nowrap ${look}`}>
      <span aria-hidden="true">{sign}</span> {word}
    </span>
  );
}
