import type { Handout, HandoutPart } from '@warm-ladder/core/handouts';
import { block, heightOfBlock } from './block';
import { INK, TYPE } from './ink';
import { printable } from './printable';
import { type Paper, Sheet } from './sheet';
import { table } from './table';

/**
 * Handouts on paper, each from a new page on: one type and one drawing for all of them, nothing smaller than 10 points, a
 * foot and the page on every page, tagged so that it can be heard (PDF/UA-1).
 */
export async function pdfOf(handouts: readonly [Handout, ...Handout[]], paper: Paper): Promise<Buffer> {
  const sheet = new Sheet(handouts[0].title, paper);
  const feet: string[] = [];
  for (const handout of handouts.map(printable)) {
    write(sheet, handout);
    while (feet.length < sheet.pages) feet.push(handout.foot);
  }
  return sheet.finish(feet, TYPE.small);
}

function write(sheet: Sheet, { title, about, parts, across = false }: Handout): void {
  sheet.newPage(across);
  sheet.group('Sect', () => {
    const { left, width } = sheet;
    sheet.part('H1', () => sheet.text([[title, TYPE.title]], left, sheet.y, { width }));
    if (about !== '') sheet.part('P', () => sheet.text([[about, TYPE.known]], left, sheet.y, { width }));
    sheet.rule(sheet.y + 3, 1.2, INK);
    sheet.y += 8;
    for (const [i, part] of parts.entries()) place(sheet, part, parts.slice(i + 1));
  });
}

function place(sheet: Sheet, part: HandoutPart, next: readonly HandoutPart[]): void {
  switch (part.kind) {
    case 'heading':
      heading(sheet, part.text, next[0]);
      break;
    case 'table':
      table(sheet, part, heightOfTexts(sheet, next));
      break;
    case 'block':
      block(sheet, part);
      break;
    case 'text':
      small(sheet, part.text);
  }
}

/** A heading stands with what it heads. */
function heading(sheet: Sheet, text: string, next: HandoutPart | undefined): void {
  sheet.fit(
    sheet.heightOf(text, TYPE.heading, sheet.width) + (next?.kind === 'block' ? heightOfBlock(sheet, next) : 40),
  );
  sheet.part('H2', () => sheet.text([[text, TYPE.heading]], sheet.left, sheet.y + 4, { width: sheet.width }));
  sheet.y += 2;
}

function small(sheet: Sheet, text: string): void {
  sheet.fit(heightOfSmall(sheet, text));
  sheet.part('P', () => sheet.text([[text, TYPE.small]], sheet.left, sheet.y + 3, { width: sheet.width }));
}

const heightOfSmall = (sheet: Sheet, text: string): number => sheet.heightOf(text, TYPE.small, sheet.width) + 4;

/** What stands under a table goes on its page. */
function heightOfTexts(sheet: Sheet, parts: readonly HandoutPart[]): number {
  let height = 0;
  for (const part of parts) {
    if (part.kind !== 'text') break;
    height += heightOfSmall(sheet, part.text);
  }
  return height;
}
