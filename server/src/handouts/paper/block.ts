import { FORM_WORDS, type WrongForm } from '@warm-ladder/core/figure';
import type { HandoutPart } from '@warm-ladder/core/handouts';
import { drawFigure, drawScene, drawWrong, type Size } from './figures';
import { TYPE } from './ink';
import type { Sheet } from './sheet';

type Block = Extract<HandoutPart, { kind: 'block' }>;

/** Points: the figure beside a block, each of the two under it that show a fault, and the air between two things. */
const FIGURE: Size = { width: 108, height: 62 };
const FORM: Size = { width: 52, height: 34 };
const [AIR, FORM_HEIGHT] = [14, FORM.height + TYPE.small.size + 4];

/** How a block is laid out: points, its faults as many as its words are long, the first always. */
function layOut(sheet: Sheet, { clock, title, note, figure, wrong, lines }: Block) {
  const left = sheet.left + FIGURE.width + AIR;
  const width = sheet.right - left;
  const head = sheet.heightOf(`${title}  ${note}`, TYPE.block, width);
  const words = lines.reduce((sum, line) => sum + sheet.heightOf(lineText(line), TYPE.said, width), head);
  const clockHeight = clock === '' ? 0 : sheet.heightOf(clock, TYPE.clock, FIGURE.width);
  const seen = clockHeight + (figure ? FIGURE.height + 2 : 0);
  const forms = wrong.slice(0, Math.max(1, Math.floor((words - seen) / FORM_HEIGHT)));
  const margin = seen + forms.length * FORM_HEIGHT;
  return { left, width, clockHeight, seen, forms, margin, height: Math.max(words, margin) + AIR };
}

/** What room a block takes, points. */
export const heightOfBlock = (sheet: Sheet, part: Block): number => layOut(sheet, part).height;

/**
 * A block with its clock, its body and its faults in the margin and its words beside them, never broken over two pages
 * unless it is longer than one.
 */
export function block(sheet: Sheet, part: Block): void {
  const { clock, title, note, figure, lines } = part;
  const { left, width, clockHeight, seen, forms, margin, height } = layOut(sheet, part);
  sheet.fit(height);
  const top = sheet.y + 3;
  const page = sheet.pages;
  sheet.group('Sect', () => {
    sheet.part('H3', () => {
      if (clock !== '') sheet.text([[clock, TYPE.clock]], sheet.left, top, { width: FIGURE.width });
      sheet.text(
        [
          [title, TYPE.block],
          [note === '' ? '' : `  ${note}`, TYPE.known],
        ],
        left,
        top + 1,
        { width },
      );
    });
    const under = sheet.y;
    if (figure) drawFigure(sheet, figure, sheet.left, top + clockHeight, FIGURE);
    for (const [i, form] of forms.entries()) pairOf(sheet, form, top + seen + i * FORM_HEIGHT);
    sheet.y = under;
    for (const { label, text, said } of lines) {
      sheet.part('P', () => {
        const own = said ? TYPE.said : TYPE.known;
        sheet.text(
          [
            [label === '' ? '' : `${label}  `, TYPE.label],
            [text, own],
          ],
          left,
          sheet.y,
          { width },
        );
      });
    }
  });
  // What was longer than a page has left its margin on the page before.
  if (sheet.pages === page) sheet.y = Math.max(sheet.y, top + margin);
  sheet.y += AIR - 6;
}

const lineText = ({ label, text }: Block['lines'][number]): string => (label === '' ? text : `${label}  ${text}`);

/** A fault beside the right form. */
function pairOf(sheet: Sheet, { cue, right, wrong }: WrongForm, top: number): void {
  const { left } = sheet;
  const beside = left + FIGURE.width - FORM.width;
  const under = top + FORM.height + 1;
  sheet.part('Figure', () => drawScene(sheet, right, left, top, FORM), { alt: FORM_WORDS.right });
  drawWrong(sheet, wrong, `${FORM_WORDS.wrong}: ${cue.sign ?? cue.text}`, beside, top, FORM);
  sheet.part('P', () => {
    sheet.text([[FORM_WORDS.right, TYPE.small]], left, under, { width: FORM.width, align: 'center' });
    sheet.text([[FORM_WORDS.wrong, TYPE.wrong]], beside, under, { width: FORM.width, align: 'center' });
  });
}
