import type { Tone } from './drawing';
import type { Scene } from './scene';

/** Colours of a figure, as CSS writes them. */
export type FigureColours = Readonly<Record<Exclude<Tone, 'line'> | 'floor' | 'mat' | 'ghost' | 'halo', string>>;

/** How figures are drawn, in body heights: around an arm before the trunk, a band or a strap, and the floor. */
export const STROKES = { halo: 0.018, line: 0.018, way: 0.014, floor: 0.02, margin: 0.05, under: 0.035 } as const;

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

/**
 * A figure as a file of its own, for handouts.
 * @param title what it shows, in words
 * @param widthPx how wide it is meant to be; it may be scaled
 */
export function svgOf(scene: Scene, colours: FigureColours, title: string, widthPx = 640): string {
  const { frame, mat, floor, ghost, drawing } = scene;
  const height = frame.top - frame.bottom + STROKES.under;
  const fill = (path: string, colour: string, more = '') => `<path d="${path}" fill="${colour}"${more}/>`;
  const stroke = (path: string, colour: string, width: number) =>
    `<path d="${path}" fill="none" stroke="${colour}" stroke-width="${width}" stroke-linecap="round" stroke-linejoin="round"/>`;
  const level = STROKES.floor / 2 - floor;
  const ground =
    mat === null
      ? stroke(
          `M${frame.x + STROKES.margin} ${level}H${frame.x + frame.width - STROKES.margin}`,
          colours.floor,
          STROKES.floor,
        )
      : fill(mat, colours.mat, ` stroke="${colours.floor}" stroke-width="${STROKES.line / 2}"`);
  const behind = ghost ? fill(ghost.layers.map(({ path }) => path).join(''), colours.ghost) : '';
  const layers = drawing.layers.map(({ tone, path }) => {
    if (tone === 'line') return stroke(path, colours.prop, STROKES.line);
    if (tone === 'way') return stroke(path, colours.way, STROKES.way);
    const halo = tone === 'arm' ? ` stroke="${colours.halo}" stroke-width="${STROKES.halo}" paint-order="stroke"` : '';
    return fill(path, colours[tone], halo);
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${frame.x} ${-frame.top} ${frame.width} ${height}" width="${widthPx}" height="${Math.round((widthPx * height) / frame.width)}" role="img">`,
    `<title>${escaped(title)}</title>`,
    ground,
    behind,
    ...layers,
    '</svg>',
  ].join('');
}
