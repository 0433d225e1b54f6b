/** What set a take apart from its plan, in a sentence. */
export interface Difference {
  readonly code: (typeof CODES)[number];
  readonly ids: readonly string[];
  readonly severity: 'look';
  readonly message: string;
}
const CODES = [
  'ENDED_OTHER',
  'WAY_OTHER',
  'BLOCK_MISSED',
  'BLOCK_MOVED',
  'BLOCK_ADDED',
  'REPS_OTHER',
  'SIDES_OTHER',
  'FIRST_SIDE_OTHER',
  'SETUP_OTHER',
  'WORK_OTHER',
  'SAFETY_UNHEARD',
  'BREATH_OTHER',
] as const;
