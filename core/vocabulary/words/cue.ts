/** How a phase breathes. */
export const BREATHS = ['in', 'out', 'hold', 'free'] as const;

/** The kinds of cue in the order they are usually spoken: what people need to know before the effort first. A `note` is for whoever teaches: it is never said. */
export const CUE_KINDS = [
  'setup',
  'check',
  'side',
  'count',
  'option',
  'safety',
  'action',
  'alignment',
  'image',
  'feel',
  'fault',
  'transition',
  'note',
] as const;
export type CueKind = (typeof CUE_KINDS)[number];

/** Which repetition of a set words belong to, where not to all. */
export const REP_PLACES = ['first', 'middle', 'last'] as const;
export type RepPlace = (typeof REP_PLACES)[number];
