import type { Handout, HandoutPart } from '@warm-ladder/core/handouts';
import { canSet, standsIn } from './faces';

/** What stands for a letter the font does not have. */
const UNKNOWN = '□';

const NOTE = `Letters that this paper’s font does not have stand as ${UNKNOWN}; the text document has them all.`;

const letters = new Intl.Segmenter('en', { granularity: 'grapheme' });

/**
 * A handout as the house fonts can print it: a letter they lack, or a picture made of several, is one mark, and a line at
 * the end says so.
 */
export function printable(handout: Handout): Handout {
  let lacking = false;
  const printed = (text: string): string => {
    const line = text.replace(/\s+/g, ' ');
    if (canSet(line)) return line;
    lacking = true;
    return [...letters.segment(line)].map(({ segment }) => (standsIn(segment) ? segment : UNKNOWN)).join('');
  };
  const parts = handout.parts.map((part) => printedPart(part, printed));
  const said = {
    ...handout,
    title: printed(handout.title),
    about: printed(handout.about),
    foot: printed(handout.foot),
  };
  return { ...said, parts: lacking ? [...parts, { kind: 'text', text: NOTE }] : parts };
}

function printedPart(part: HandoutPart, printed: (text: string) => string): HandoutPart {
  switch (part.kind) {
    case 'heading':
    case 'text':
      return { ...part, text: printed(part.text) };
    case 'table': {
      const rows = part.rows.map((row) => row.map((cell) => ({ ...cell, text: printed(cell.text) })));
      return { ...part, head: part.head.map(printed), rows };
    }
    case 'block': {
      const lines = part.lines.map((line) => ({ ...line, text: printed(line.text) }));
      return { ...part, title: printed(part.title), note: printed(part.note), lines };
    }
  }
}
