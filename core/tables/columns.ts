/**
 * The columns of the repertoire as a table, one row a rung, easiest first: whether a new rung must have each, and what
 * people call it in tables of their own.
 */
const COLUMNS = {
  exercise: { need: 'may', called: ['exercise id'] },
  'exercise name': { need: 'must', called: ['exercise', 'movement', 'move', 'name', 'title'] },
  position: {
    need: 'must',
    called: ['start position', 'starting position', 'body position', 'start', 'lying', 'base', 'orientation'],
  },
  directions: {
    need: 'must',
    called: ['direction', 'spinal direction', 'spine', 'movement of the spine', 'plane', 'what the spine does'],
  },
  sides: { need: 'must', called: ['side', 'unilateral', 'per side', 'left right', 'l r', 'both sides'] },
  notes: { need: 'may', called: ['note', 'comments', 'comment', 'remarks', 'description', 'about'] },
  rung: { need: 'may', called: ['rung id'] },
  'rung name': {
    need: 'must',
    called: ['rung', 'level', 'variation', 'version', 'progression', 'modification', 'option', 'stage', 'variant'],
  },
  props: { need: 'may', called: ['prop', 'equipment', 'apparatus', 'kit', 'tools', 'with', 'needs'] },
  'set-up seconds': {
    need: 'must',
    called: ['set up', 'setup', 'set up time', 'setup time', 'setup seconds', 'seconds to set up'],
  },
  sets: { need: 'must', called: ['set', 'rounds', 'series'] },
  reps: {
    need: 'must',
    called: ['repetitions', 'rep', 'repeats', 'count', 'how many', 'times', 'dose', 'sets x reps'],
  },
  'reps to': { need: 'may', called: ['most reps', 'max reps', 'reps max'] },
  until: { need: 'may', called: [] },
  'seconds per count': { need: 'may', called: ['tempo', 'seconds a count'] },
  'ready when': { need: 'may', called: ['ready', 'progress when', 'move on when', 'goal'] },
  'stay when': { need: 'may', called: ['stay', 'easier when', 'regress when'] },
  'stop when': { need: 'may', called: ['stop', 'stop signs'] },
  'branch of': { need: 'may', called: ['branch'] },
  requires: { need: 'may', called: ['prerequisites', 'prerequisite'] },
  preparation: { need: 'may', called: ['prepares', 'preparations'] },
  // Computed: written, and not read back.
  heat: { need: 'may', called: [] },
  'heat set by director': { need: 'may', called: [] },
  reason: { need: 'may', called: [] },
} as const satisfies Record<string, { need: 'must' | 'may'; called: readonly string[] }>;
export type Column = keyof typeof COLUMNS;
export const CSV_COLUMNS = Object.keys(COLUMNS) as Column[];
export const REQUIRED_COLUMNS = CSV_COLUMNS.filter((column) => COLUMNS[column].need === 'must');
/** What a column is called elsewhere, in small letters without marks. */
export const calledOf = (column: Column): readonly string[] => COLUMNS[column].called;

/** What stands over a column that is not taken in. */
export const LEFT_OUT = '-';

/** What a table can't carry, in words: shown wherever one goes out or comes in. */
export const CSV_LOSS =
  'A table carries the flat parts of the repertoire. Poses, phases and cues are not in it: rungs that are here already keep theirs, new ones come with the plain pose of their position, to be drawn in the editor. Heat is computed and is not read back.';
