import { ON_PAPER } from '@warm-ladder/core/figure';
import { LEAST_TYPE, type Style } from './sheet';

/** Colours of words on paper, dark enough for small type (WCAG 1.4.3). */
export const INK = ON_PAPER.near;
export const SOFT = '#455864';
export const LINE = ON_PAPER.floor;
export const ACCENT = ON_PAPER.way;

/** The type of all papers, points. */
export const TYPE = {
  title: { face: 'name', size: 19, colour: INK },
  heading: { face: 'name', size: 13, colour: ACCENT },
  clock: { face: 'name', size: 13, colour: INK },
  block: { face: 'name', size: 11.5, colour: INK },
  said: { face: 'plain', size: LEAST_TYPE, colour: INK },
  known: { face: 'plain', size: LEAST_TYPE, colour: SOFT },
  label: { face: 'strong', size: LEAST_TYPE, colour: SOFT },
  small: { face: 'plain', size: LEAST_TYPE, colour: SOFT },
  wrong: { face: 'plain', size: LEAST_TYPE, colour: ACCENT },
} as const satisfies Readonly<Record<string, Style>>;
