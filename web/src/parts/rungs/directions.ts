import type { Direction } from '@warm-ladder/core/method';

/** What the spine does, drawn: a held line, a forward arc, a back arc, a spiral, a side bow, a wave. */
const PATHS: Readonly<Record<Direction, string>> = {
  neutral: 'M10 2v16',
  flexion: 'M7 18C6 11 8 5 15 4',
  extension: 'M13 18C14 11 12 5 5 4',
  rotation: 'M10 18v-3c5 0 5-4 0-4s-5-4 0-4 4-3 1-5',
  'lateral-flexion': 'M6 18C5 9 9 6 15 8M15 8l-3.5-1.6M15 8l-2 3',
  articulation: 'M10 18c-5-3-4-5 0-7s5-4 0-9',
};

export const directionPath = (direction: Direction): string => PATHS[direction];
