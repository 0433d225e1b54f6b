import type { Tone } from './drawing';
import type { Scene } from './scene';
import { OUTLINE } from './shapes';

/** Colours of a figure, as CSS writes them. */
type FigureColours = Readonly<Record<Exclude<Tone, 'line'> | 'floor' | 'mat' | 'ghost' | 'halo', string>>;

/** The body on white paper and in a file of its own, whatever the screen looks like it was taken from. */
export const ON_PAPER: FigureColours = {
  far: '#9fb0b9',
  trunk: '#50646f',
  face: '#9fb0b9',
  near: '#15222b',
  arm: '#15222b',
  prop: '#5b7fae',
  way: '#1f4f9c',
  floor: '#a9b9c1',
  mat: '#d6dfe3',
  ghost: '#c6d2d8',
  halo: '#ffffff',
};

/** How outlines are stroked, in their own unit (`OUTLINE`): around an arm before the trunk, a band or a strap, an arrow, a mat. */
export const STROKES = { halo: 18, line: 18, way: 14, mat: 9 } as const;
/** The floor a body is on, in body heights: how thick, and how much air it leaves at both ends and under it. */
export const FLOOR_LINE = { width: 0.02, margin: 0.05, under: 0.035 } as const;

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

/**
 * A figure as a file of its own, for handouts.
 * @param title what it shows, in words
 * @param widthPx how wide it is meant to be; it may be scaled
 */
export function svgOf(scene: Scene, title: string, widthPx = 640): string {
  const { frame, mat, ghost, drawing } = scene;
  const height = frame.top - frame.bottom + FLOOR_LINE.under;
  const fill = (path: string, colour: string, more = '') => `<path d="${path}" fill="${colour}"${more}/>`;
  const stroke = (path: string, colour: string, width: number) =>
    `<path d="${path}" fill="none" stroke="${colour}" stroke-width="${width}" stroke-linecap="round" stroke-linejoin="round"/>`;
  const level = FLOOR_LINE.width / 2 - frame.floor;
  const floorLine =
    mat === null
      ? stroke(
          `M${frame.x + FLOOR_LINE.margin} ${level}H${frame.x + frame.width - FLOOR_LINE.margin}`,
          ON_PAPER.floor,
          FLOOR_LINE.width,
        )
      : '';
  const ground =
    mat === null ? '' : fill(mat, ON_PAPER.mat, ` stroke="${ON_PAPER.floor}" stroke-width="${STROKES.mat}"`);
  const behind = ghost ? fill(ghost.layers.map(({ path }) => path).join(''), ON_PAPER.ghost) : '';
  const layers = drawing.layers.map(({ tone, path }) => {
    if (tone === 'line') return stroke(path, ON_PAPER.prop, STROKES.line);
    if (tone === 'way') return stroke(path, ON_PAPER.way, STROKES.way);
    const halo = tone === 'arm' ? ` stroke="${ON_PAPER.halo}" stroke-width="${STROKES.halo}" paint-order="stroke"` : '';
    return fill(path, ON_PAPER[tone], halo);
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${frame.x} ${-frame.top} ${frame.width} ${height}" width="${widthPx}" height="${Math.round((widthPx * height) / frame.width)}" role="img">`,
    `<title>${escaped(title)}</title>`,
    floorLine,
    `<g transform="scale(${OUTLINE})">`,
    ground,
    behind,
    ...layers,
    '</g></svg>',
  ].join('');
}
