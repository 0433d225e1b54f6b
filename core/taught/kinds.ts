/** Where a log comes from. A rehearsal never counts for a teacher's pace. */
export const LOG_SOURCES = ['hand', 'live', 'take', 'rehearsal'] as const;

/** What became of a planned block that day; `added` for one that was not planned. */
export const DEEDS = ['planned', 'skipped', 'other', 'added'] as const;

/** What became of a learner's question. */
export const QUESTION_STATES = ['open', 'answered', 'changed'] as const;
