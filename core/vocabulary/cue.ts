/** How a phase breathes. */
export const BREATHS = ['in', 'out', 'hold', 'free'] as const;

/** The kinds of cue in the order they are usually spoken. */
export const CUE_KINDS = [
  'setup',
  'check',
  'action',
  'alignment',
  'image',
  'feel',
  'fault',
  'option',
  'safety',
  'side',
  'count',
  'transition',
] as const;
export type CueKind = (typeof CUE_KINDS)[number];
