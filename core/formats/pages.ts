/** Pages that show one class; the first is the one it is worked on. */
export const CLASS_PAGES = ['class', 'script', 'room', 'rehearse', 'teach', 'read'] as const;

/**
 * The class that a page shows, and so all that it needs to begin with.
 * @param pathname of its address, escaped
 * @returns its id; `null` where the page shows more, or another thing
 * @example classShownAt('/script/monday') // 'monday'
 */
export function classShownAt(pathname: string): string | null {
  const [, page = '', own = ''] = pathname.split('/');
  if (own === '' || !(CLASS_PAGES as readonly string[]).includes(page)) return null;
  try {
    return decodeURIComponent(own);
  } catch {
    return null;
  }
}

/** Pages opened on a phone in the room: a page of their own, with no more code than they show. */
export const ROOM_PAGES = ['tonight', 'read', 'rehearse', 'teach'] as const;

/** The header by which the server says which build of the pages it has, and the event of a feed that says the same. */
export const BUILD_HEADER = 'warm-ladder-build';
export const BUILD_EVENT = 'build';
