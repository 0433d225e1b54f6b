/** The most rungs of a ladder. */
export const MOST_RUNGS = 24;
