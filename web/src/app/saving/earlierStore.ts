import { written } from './browserStore';

/** Where earlier versions kept unsent work, one text a document, and what of it they could not read. */
const PREFIX = 'warm-ladder/unsent/';
const UNREADABLE = 'warm-ladder/unreadable/';
/** Where the first one kept that of every studio in one record. */
const FIRST = 'warm-ladder/unsaved';

const storage = (): Storage | null => {
  try {
    return globalThis.localStorage ?? null;
  } catch {
    return null;
  }
};

/**
 * Takes over once what earlier versions kept of a studio: each is moved as it stands, and read where it is taken up.
 * Another studio's stays until that one is opened.
 */
export async function takeOver(studio: string, living: ReadonlySet<string>): Promise<void> {
  const store = storage();
  if (!store) return;
  const keys = Array.from({ length: store.length }, (_, i) => store.key(i) ?? '').filter((key) => {
    if (key === FIRST || key.startsWith(UNREADABLE)) return true;
    const [owner, , , tab = ''] = key.startsWith(PREFIX) ? key.slice(PREFIX.length).split('/') : [];
    return owner === studio && !living.has(tab);
  });
  if (keys.length === 0) return;
  const moved = await written(['unsent', 'unreadable'], (transaction) => {
    for (const key of keys) {
      const text = store.getItem(key) ?? '';
      const [, kind = '', id = '', tab = ''] = key.slice(PREFIX.length).split('/');
      if (key.startsWith(PREFIX)) void transaction.objectStore('unsent').put(text, [studio, tab, kind, id]);
      else void transaction.objectStore('unreadable').put(text, key);
    }
  });
  if (moved) for (const key of keys) store.removeItem(key);
}
