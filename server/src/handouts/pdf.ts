import {
  FLOOR_LINE,
  FORM_WORDS,
  ON_PAPER,
  OUTLINE,
  rungScene,
  type Scene,
  STROKES,
  type WrongForm,
} from '@warm-ladder/core/figure';
import type { Handout, HandoutCell, HandoutPart } from '@warm-ladder/core/handouts';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import PDFDocument from 'pdfkit';
import { FONTS, printable } from './printable';

/** Paper a handout is made for. */
const PAPERS = { a4: 'A4', letter: 'LETTER' } as const;
export type Paper = keyof typeof PAPERS;

/** Points: the margin, the column of the clock, the height of the foot, a figure. */
const [MARGIN, CLOCK, FOOT] = [34, 42, 22];
const FIGURE = { width: 64, height: 36 };
/** The size of the text, and what a table is made smaller by until it stands on one page. */
const SIZE = 9;
const SMALL = 7;
const [LEAST_SIZE, SMALLER] = [5.5, 0.5];

const { near: INK, floor: LINE, way: ACCENT } = ON_PAPER;
const SOFT = '#455864';

type Document = PDFKit.PDFDocument;

/**
 * Handouts on paper, each from a new page on: its foot and the page on every page, a block never broken over two, a table
 * on one page.
 */
export async function pdfOf(handouts: readonly [Handout, ...Handout[]], paper: Paper): Promise<Buffer> {
  const doc = new PDFDocument({
    size: PAPERS[paper],
    margins: { top: MARGIN, bottom: MARGIN + FOOT, left: MARGIN, right: MARGIN },
    bufferPages: true,
    autoFirstPage: false,
    info: { Title: handouts[0].title, Producer: 'Warm Ladder' },
  });
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  for (const [name, file] of Object.entries(FONTS)) doc.registerFont(name, file);
  const feet: string[] = [];
  for (const handout of handouts.map(printable)) {
    write(doc, handout);
    while (feet.length < doc.bufferedPageRange().count) feet.push(handout.foot);
  }
  number(doc, feet);
  doc.end();
  return done;
}

const widthOf = (doc: Document): number => doc.page.width - 2 * MARGIN;
const bottomOf = (doc: Document): number => doc.page.height - MARGIN - FOOT;

function write(doc: Document, { title, about, parts }: Handout): void {
  doc.addPage();
  doc
    .font('strong')
    .fontSize(17)
    .fillColor(INK)
    .text(title, MARGIN, MARGIN, { width: widthOf(doc) });
  doc
    .font('plain')
    .fontSize(SIZE)
    .fillColor(SOFT)
    .text(about, { width: widthOf(doc) });
  doc
    .moveTo(MARGIN, doc.y + 3)
    .lineTo(MARGIN + widthOf(doc), doc.y + 3)
    .lineWidth(1.2)
    .stroke(INK);
  doc.y += 8;
  for (const [i, part] of parts.entries()) place(doc, part, parts.slice(i + 1));
}

function place(doc: Document, part: HandoutPart, next: readonly HandoutPart[]): void {
  switch (part.kind) {
    case 'heading':
      heading(doc, part.text);
      break;
    case 'table':
      table(doc, part, heightOfTexts(doc, next));
      break;
    case 'block':
      block(doc, part);
      break;
    case 'text':
      small(doc, part.text);
  }
}

function small(doc: Document, text: string): void {
  fit(doc, heightOfSmall(doc, text));
  doc.fillColor(SOFT).text(text, MARGIN, doc.y + 3, { width: widthOf(doc) });
}

function heightOfSmall(doc: Document, text: string): number {
  doc.font('plain').fontSize(SIZE - 1);
  return doc.heightOfString(text, { width: widthOf(doc) }) + 4;
}

/** What stands under a table goes on its page. */
function heightOfTexts(doc: Document, parts: readonly HandoutPart[]): number {
  let height = 0;
  for (const part of parts) {
    if (part.kind !== 'text') break;
    height += heightOfSmall(doc, part.text);
  }
  return height;
}

/** A new page where there is not as much room left. */
function fit(doc: Document, height: number): void {
  if (doc.y + height <= bottomOf(doc)) return;
  doc.addPage();
  doc.y = MARGIN;
}

function heading(doc: Document, text: string): void {
  // A heading stands with what it heads.
  fit(doc, 90);
  doc
    .font('strong')
    .fontSize(12)
    .fillColor(ACCENT)
    .text(text, MARGIN, doc.y + 4, { width: widthOf(doc) });
  doc.y += 1;
}

type Block = Extract<HandoutPart, { kind: 'block' }>;

function block(doc: Document, { clock, title, note, figure, wrong, lines }: Block): void {
  const left = MARGIN + CLOCK;
  const beside = figure ? FIGURE.width + 6 : 0;
  const width = widthOf(doc) - CLOCK - beside;
  const texts = lines.map(({ label, text }) => (label === '' ? text : `${label}: ${text}`));
  doc.font('plain').fontSize(SIZE);
  const body = texts.reduce((sum, text) => sum + doc.heightOfString(text, { width }), 0);
  const forms = wrong.length > 0 ? FORM_HEIGHT : 0;
  fit(doc, Math.max(15 + body, figure ? FIGURE.height : 0) + forms + 7);
  const top = doc.y + 3;
  doc
    .font('strong')
    .fontSize(SIZE)
    .fillColor(INK)
    .text(clock, MARGIN, top, { width: CLOCK - 8, align: 'right' });
  if (figure) drawFigure(doc, figure, MARGIN + widthOf(doc) - FIGURE.width, top, FIGURE);
  doc.fontSize(SIZE + 1).text(title, left, top - 0.5, { width, continued: true });
  doc.font('plain').fontSize(SIZE).fillColor(SOFT).text(`  ${note}`);
  for (const { label, text, said } of lines) {
    doc.font('plain').fontSize(SIZE);
    if (label === '') doc.fillColor(said ? INK : SOFT).text(text, left, doc.y, { width });
    else {
      doc.fillColor(SOFT).text(`${label}: `, left, doc.y, { width, continued: true });
      doc.fillColor(said ? INK : SOFT).text(text);
    }
  }
  if (figure) doc.y = Math.max(doc.y, top + FIGURE.height);
  if (forms > 0) wrongForms(doc, wrong, left);
  doc.y += 4;
}

/** The height of a wrong form with the words under it. */
const FORM_HEIGHT = FIGURE.height + 14;

/** Faults beside the right forms, side by side as many as there is room for. */
function wrongForms(doc: Document, wrong: readonly WrongForm[], left: number): void {
  const top = doc.y + 2;
  let x = left;
  for (const { cue, right, wrong: scene } of wrong) {
    if (x + 2 * FIGURE.width + 6 > MARGIN + widthOf(doc)) break;
    drawScene(doc, right, x, top, FIGURE);
    drawWrong(doc, scene, x + FIGURE.width + 6, top, FIGURE);
    doc.font('plain').fontSize(SMALL).fillColor(SOFT);
    doc.text(FORM_WORDS.right, x, top + FIGURE.height + 1, { width: FIGURE.width, align: 'center' });
    doc.fillColor(ACCENT);
    const words = `${FORM_WORDS.wrong}: ${cue.sign ?? cue.text}`;
    doc.text(words, x + FIGURE.width + 6, top + FIGURE.height + 1, {
      width: FIGURE.width * 2,
      height: SMALL + 2,
      ellipsis: true,
    });
    x += 3 * FIGURE.width + 18;
  }
  doc.y = top + FORM_HEIGHT;
}

/** A figure with a line across it: told apart without a colour. */
function drawWrong(doc: Document, scene: Scene, x: number, y: number, size: Size): void {
  drawScene(doc, scene, x, y, size);
  doc
    .moveTo(x + size.width * 0.15, y + size.height)
    .lineTo(x + size.width * 0.85, y)
    .lineWidth(1)
    .stroke(ACCENT);
}

type Table = Extract<HandoutPart, { kind: 'table' }>;

/**
 * A table as large as one page takes it; wrong forms are left out where there is no room for them.
 * @param below points kept free for what stands under it
 */
function table(doc: Document, whole: Table, below: number): void {
  if (whole.page) {
    doc.addPage();
    doc.y = MARGIN;
  }
  const room = bottomOf(doc) - doc.y - below;
  const least = whole.least ?? LEAST_SIZE;
  const part = heightOfTable(doc, whole, least) > room ? withoutWrong(whole) : whole;
  let size: number = SIZE;
  while (size > least && heightOfTable(doc, part, size) > room) size -= SMALLER;
  const figure = figureFor(size);
  drawRow(
    doc,
    part,
    part.head.map((text) => ({ text })),
    size,
    figure,
    true,
  );
  for (const row of part.rows) {
    fit(doc, heightOfRow(doc, part, row, size, figure));
    drawRow(doc, part, row, size, figure, false);
  }
}

const withoutWrong = (part: Table): Table => ({
  ...part,
  rows: part.rows.map((row) => row.map((cell) => ({ ...cell, wrong: undefined }))),
});

const figureFor = (size: number) => ({ width: size * 4.2, height: size * 2.4 });

const columnWidths = (doc: Document, { widths }: Table): number[] => widths.map((share) => share * widthOf(doc) - 5);

function heightOfTable(doc: Document, part: Table, size: number): number {
  const head = part.head.map((text) => ({ text }));
  return [head, ...part.rows].reduce((sum, row) => sum + heightOfRow(doc, part, row, size, figureFor(size)), 0);
}

/** What a wrong form adds to the height of a row. */
const underFigure = (figure: Size, size: number): number => figure.height + size;

type Size = { readonly width: number; readonly height: number };

function heightOfRow(doc: Document, part: Table, row: readonly HandoutCell[], size: number, figure: Size): number {
  doc.font('plain').fontSize(size);
  const widths = columnWidths(doc, part);
  const heights = row.map(({ text, figure: entry, wrong }, i) => {
    const width = Math.max(8, (widths[i] ?? 0) - (entry && text !== '' ? figure.width + 3 : 0));
    return (
      Math.max(text === '' ? 0 : doc.heightOfString(text, { width }), entry ? figure.height : 0) +
      (wrong ? underFigure(figure, size) : 0)
    );
  });
  return Math.max(size, ...heights) + 3;
}

function drawRow(
  doc: Document,
  part: Table,
  row: readonly HandoutCell[],
  size: number,
  figure: Size,
  strong: boolean,
): void {
  const height = heightOfRow(doc, part, row, size, figure);
  const widths = columnWidths(doc, part);
  const top = doc.y;
  let x = MARGIN;
  row.forEach(({ text, figure: entry, wrong }, i) => {
    const own = widths[i] ?? 0;
    const beside = entry && text !== '' ? figure.width + 3 : 0;
    if (entry) drawFigure(doc, entry, x, top + 1, figure);
    if (wrong) {
      drawWrong(doc, wrong.wrong, x, top + figure.height + 2, figure);
      doc
        .font('plain')
        .fontSize(size - 2)
        .fillColor(ACCENT);
      doc.text(FORM_WORDS.wrong, x, top + 2 * figure.height + 2, {
        width: figure.width,
        align: 'center',
        lineBreak: false,
      });
    }
    if (text !== '') {
      doc
        .font(strong ? 'strong' : 'plain')
        .fontSize(size)
        .fillColor(INK)
        .text(text, x + beside, top + 1, { width: Math.max(8, own - beside) });
    }
    x += own + 5;
  });
  doc
    .moveTo(MARGIN, top + height)
    .lineTo(MARGIN + widthOf(doc), top + height)
    .lineWidth(0.4)
    .stroke(LINE);
  doc.y = top + height;
}

/** The drawn body of a rung, its feet on the bottom of its box. */
function drawFigure(doc: Document, entry: RungEntry, x: number, y: number, { width, height }: Size): void {
  const scene = rungScene(entry);
  if (scene) drawScene(doc, scene, x, y, { width, height });
}

function drawScene(doc: Document, { frame, mat, ghost, drawing }: Scene, x: number, y: number, size: Size): void {
  const { width, height } = size;
  const tall = frame.top - frame.bottom + FLOOR_LINE.under;
  const scale = Math.min(width / frame.width, height / tall);
  doc.save();
  doc.translate(x + (width - frame.width * scale) / 2, y + height - tall * scale);
  doc.scale(scale).translate(-frame.x, frame.top);
  if (mat === null) {
    const level = FLOOR_LINE.width / 2 - frame.floor;
    doc
      .moveTo(frame.x + FLOOR_LINE.margin, level)
      .lineTo(frame.x + frame.width - FLOOR_LINE.margin, level)
      .lineWidth(FLOOR_LINE.width)
      .stroke(LINE);
  }
  doc.scale(OUTLINE);
  if (mat !== null) doc.path(mat).lineWidth(STROKES.mat).fillAndStroke(ON_PAPER.mat, LINE);
  if (ghost) for (const { path } of ghost.layers) doc.path(path).fill(ON_PAPER.ghost);
  for (const { tone, path } of drawing.layers) {
    doc.path(path);
    if (tone === 'line') doc.lineWidth(STROKES.line).stroke(ON_PAPER.prop);
    else if (tone === 'way') doc.lineWidth(STROKES.way).stroke(ACCENT);
    else if (tone === 'arm') doc.lineWidth(STROKES.halo).fillAndStroke(ON_PAPER.arm, ON_PAPER.halo);
    else doc.fill(ON_PAPER[tone]);
  }
  doc.restore();
}

/** The foot of every page, once all of them are there. */
function number(doc: Document, feet: readonly string[]): void {
  const { count } = doc.bufferedPageRange();
  for (let page = 0; page < count; page++) {
    doc.switchToPage(page);
    doc.page.margins.bottom = 0;
    const y = doc.page.height - MARGIN - 8;
    doc.font('plain').fontSize(8).fillColor(SOFT);
    doc.text(feet[page] ?? '', MARGIN, y, {
      width: widthOf(doc) - 70,
      lineBreak: false,
    });
    doc.text(`${page + 1} of ${count}`, MARGIN, y, { width: widthOf(doc), align: 'right' });
  }
}
