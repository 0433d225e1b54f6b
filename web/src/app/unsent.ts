import {
  BUNDLE_VERSION,
  type Bundle,
  type DocumentKey,
  type DocumentKind,
  documentKey,
} from '@warm-ladder/core/formats';

/**
 * What could not be sent yet, kept in this browser: one record a document, apart for each studio and each tab, so that
 * no tab ever writes over another's. A record outlives its tab, and the next one to open takes it up.
 */
const PREFIX = 'warm-ladder/unsent';
const UNREADABLE = 'warm-ladder/unreadable';
/** Where an earlier version kept the unsent work of every studio in one record. */
const EARLIER = 'warm-ladder/unsaved';

export interface UnsentRecord {
  readonly kind: DocumentKind;
  readonly id: string;
  readonly base: number;
  readonly value: unknown;
  readonly sent?: unknown;
  readonly at: number;
}

/** A second record of a document, by another tab: it lies where it is until the director has chosen. */
type OtherRecord = UnsentRecord & { readonly key: string };

/** What tabs that are gone have left: one record a document, what else there is of it, and how many can't be read. */
export interface LeftBehind {
  readonly records: readonly UnsentRecord[];
  readonly others: readonly OtherRecord[];
  readonly unreadable: number;
}

const storage = (): Storage | null => {
  try {
    return globalThis.localStorage ?? null;
  } catch {
    return null;
  }
};

const keyOf = (studio: string, kind: DocumentKind, id: string, tab: string) =>
  `${PREFIX}/${studio}/${kind}/${id}/${tab}`;

/** Keeps a record. @returns whether it held: a full or forbidden store keeps nothing */
export function remember(studio: string, tab: string, { kind, id, ...record }: UnsentRecord): boolean {
  try {
    const store = storage();
    store?.setItem(keyOf(studio, kind, id, tab), JSON.stringify({ ...record, format: BUNDLE_VERSION }));
    return store !== null;
  } catch {
    return false;
  }
}

export function forget(studio: string, tab: string, kind: DocumentKind, id: string): void {
  try {
    storage()?.removeItem(keyOf(studio, kind, id, tab));
  } catch {
    // What can't be removed is found to have arrived, and let go, at the next start.
  }
}

/**
 * Takes up what tabs that are gone have left of a studio, as this tab's own. What does not fit its schema (an older
 * version's, or damage) is put where it stops nothing and can still be looked at.
 * @param living tabs that are open now: their work is theirs
 * @param arrived whether the server has just what a record says: it was sent, and only the answer was lost
 * @param exercises those of the studio: an older version’s record may name their phases by place
 */
export async function takeUp(
  studio: string,
  tab: string,
  living: ReadonlySet<string>,
  arrived: (record: UnsentRecord) => boolean,
  { exercises }: Pick<Bundle, 'exercises'>,
): Promise<LeftBehind> {
  const store = storage();
  const left = store ? keysOf(store).filter((key) => key.startsWith(`${PREFIX}/${studio}/`) || key === EARLIER) : [];
  if (!store || left.length === 0) return { records: [], others: [], unreadable: unreadable().length };
  const { readRecord } = await import('./readRecord');
  const found = left.flatMap((key): OtherRecord[] => {
    const [kind = '', id = '', owner = ''] = key === EARLIER ? [] : key.split('/').slice(3);
    if (key !== EARLIER && (owner === '' || living.has(owner))) return [];
    const text = store.getItem(key) ?? '';
    const record = readRecord(kind, id, text, exercises);
    if (!record) setAside(store, key, text);
    else if (arrived(record)) store.removeItem(key);
    else return [{ ...record, key }];
    return [];
  });
  const records = new Map<DocumentKey, UnsentRecord>();
  const others: OtherRecord[] = [];
  for (const { key, ...record } of found.sort((a, b) => b.at - a.at)) {
    const document = documentKey(record.kind, record.id);
    const later = records.get(document);
    if (!later) {
      records.set(document, record);
      if (remember(studio, tab, record)) store.removeItem(key);
    } else if (JSON.stringify(later.value) === JSON.stringify(record.value)) store.removeItem(key);
    else others.push({ ...record, key });
  }
  return { records: [...records.values()], others, unreadable: unreadable().length };
}

const keysOf = (store: Storage): string[] => Array.from({ length: store.length }, (_, i) => store.key(i) ?? '');

/** Lets go of a record that was chosen against, or for. */
export const dropRecord = (key: string): void => storage()?.removeItem(key);

function setAside(store: Storage, key: string, text: string): void {
  try {
    store.setItem(`${UNREADABLE}/${key}`, text);
    store.removeItem(key);
  } catch {
    // The store is full: it stays where it is, and is passed over there.
  }
}

/** What this browser kept and can't read, by its place, for the director to save or let go. */
export function unreadable(): Array<{ readonly key: string; readonly text: string }> {
  const store = storage();
  const keys = store ? keysOf(store).filter((key) => key.startsWith(`${UNREADABLE}/`)) : [];
  return keys.map((key) => ({ key, text: store?.getItem(key) ?? '' }));
}
