/** Largest single document taken in, in bytes. */
export const LARGEST_DOCUMENT = 2 * 1024 * 1024;
/** Largest file taken in, in bytes. */
export const LARGEST_FILE = 128 * 1024 * 1024;
/** Largest studio kept, in characters of its documents (`lengthOf`): what is exported of it is taken in again, in any script. */
export const LARGEST_STUDIO = 60 * 1024 * 1024;
/** Feeds open at once, and requests on their way. */
export const MOST_FEEDS = 500;
export const MOST_CONNECTIONS = 1_000;
/** Bytes a feed may lie unread before it is ended: whoever reads no more asks again. */
export const UNREAD_FEED = 1024 * 1024;
