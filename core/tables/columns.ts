/** The columns of the repertoire as a table, one row a rung, easiest first: whether a file must have each. */
const COLUMNS = {
  exercise: 'must',
  'exercise name': 'must',
  position: 'must',
  directions: 'must',
  sides: 'must',
  notes: 'may',
  rung: 'must',
  'rung name': 'must',
  props: 'may',
  'set-up seconds': 'must',
  sets: 'must',
  reps: 'must',
  'reps to': 'may',
  until: 'may',
  'seconds per count': 'may',
  'ready when': 'may',
  'stay when': 'may',
  'stop when': 'may',
  'branch of': 'may',
  requires: 'may',
  preparation: 'may',
  // Computed: written, and not read back.
  heat: 'may',
  'heat set by director': 'may',
  reason: 'may',
} as const satisfies Record<string, 'must' | 'may'>;
export type Column = keyof typeof COLUMNS;
export const CSV_COLUMNS = Object.keys(COLUMNS) as Column[];
export const REQUIRED_COLUMNS = CSV_COLUMNS.filter((column) => COLUMNS[column] === 'must');

/** What a table can't carry, in words: shown wherever one goes out or comes in. */
export const CSV_LOSS =
  'A table carries the flat parts of the repertoire. Poses, phases and cues are not in it: rungs that are here already keep theirs, new ones come with the plain pose of their position, to be drawn in the editor. Heat is computed and is not read back.';
