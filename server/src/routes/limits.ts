/** Largest single document taken in, in bytes. */
export const LARGEST_DOCUMENT = 2 * 1024 * 1024;
/** Largest file taken in, in bytes. */
export const LARGEST_FILE = 32 * 1024 * 1024;
