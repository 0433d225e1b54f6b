import { FLOOR_LINE, ON_PAPER, OUTLINE, rungScene, type Scene, STROKES } from '@warm-ladder/core/figure';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { rungTitle } from '@warm-ladder/core/review';
import type { Sheet } from './sheet';

export interface Size {
  readonly width: number;
  readonly height: number;
}

/** The drawn body of a rung, its feet on the bottom of its box. */
export function drawFigure(sheet: Sheet, entry: RungEntry, x: number, y: number, size: Size): void {
  const scene = rungScene(entry);
  if (scene) sheet.part('Figure', () => drawScene(sheet, scene, x, y, size), { alt: rungTitle(entry) });
}

/** A wrong form with a line across it: told apart without a colour. */
export function drawWrong(sheet: Sheet, scene: Scene, words: string, x: number, y: number, size: Size): void {
  const draw = () => {
    drawScene(sheet, scene, x, y, size);
    const { width, height } = size;
    sheet.pdf
      .moveTo(x + width * 0.15, y + height)
      .lineTo(x + width * 0.85, y)
      .lineWidth(1)
      .stroke(ON_PAPER.way);
  };
  sheet.part('Figure', draw, { alt: words });
}

export function drawScene({ pdf }: Sheet, { frame, mat, ghost, drawing }: Scene, x: number, y: number, size: Size) {
  const { width, height } = size;
  const tall = frame.top - frame.bottom + FLOOR_LINE.under;
  const scale = Math.min(width / frame.width, height / tall);
  pdf.save();
  pdf.translate(x + (width - frame.width * scale) / 2, y + height - tall * scale);
  pdf.scale(scale).translate(-frame.x, frame.top);
  if (mat === null) {
    const level = FLOOR_LINE.width / 2 - frame.floor;
    pdf
      .moveTo(frame.x + FLOOR_LINE.margin, level)
      .lineTo(frame.x + frame.width - FLOOR_LINE.margin, level)
      .lineWidth(FLOOR_LINE.width)
      .stroke(ON_PAPER.floor);
  }
  pdf.scale(OUTLINE);
  if (mat !== null) pdf.path(mat).lineWidth(STROKES.mat).fillAndStroke(ON_PAPER.mat, ON_PAPER.floor);
  if (ghost) for (const { path } of ghost.layers) pdf.path(path).fill(ON_PAPER.ghost);
  for (const { tone, path } of drawing.layers) {
    pdf.path(path);
    if (tone === 'line') pdf.lineWidth(STROKES.line).stroke(ON_PAPER.prop);
    else if (tone === 'way') pdf.lineWidth(STROKES.way).stroke(ON_PAPER.way);
    else if (tone === 'arm') pdf.lineWidth(STROKES.halo).fillAndStroke(ON_PAPER.arm, ON_PAPER.halo);
    else pdf.fill(ON_PAPER[tone]);
  }
  pdf.restore();
}
