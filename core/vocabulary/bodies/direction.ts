/** What the spine does; `neutral` is held still against load, `articulation` goes segment by segment. */
export const DIRECTIONS = ['neutral', 'flexion', 'extension', 'rotation', 'lateral-flexion', 'articulation'] as const;
export type Direction = (typeof DIRECTIONS)[number];

/** What each direction is called. */
export const DIRECTION_WORDS: Readonly<Record<Direction, string>> = {
  neutral: 'neutral',
  flexion: 'flexion',
  extension: 'extension',
  rotation: 'rotation',
  'lateral-flexion': 'side bend',
  articulation: 'articulation',
};
