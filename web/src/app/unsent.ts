import { type DocumentKey, type DocumentKind, documentKey, documentSchemas } from '@warm-ladder/core/formats';
import { z } from 'zod';

/**
 * What could not be sent yet, kept in this browser: one record a document, apart for each studio and each tab, so that
 * no tab ever writes over another's. A record outlives its tab, and the next one to open takes it up.
 */
const PREFIX = 'warm-ladder/unsent';
const UNREADABLE = 'warm-ladder/unreadable';
/** Where an earlier version kept the unsent work of every studio in one record. */
const EARLIER = 'warm-ladder/unsaved';

const outlineSchema = z.strictObject({
  /** The version the change was made from. */
  base: z.int().min(0),
  /** The document as it is to be; `null` where it was deleted. */
  value: z.unknown(),
  /** What was sent and may have arrived, though no answer came. */
  sent: z.unknown().optional(),
  /** When it was written, in milliseconds: of two tabs' the later one is shown first. */
  at: z.number(),
});

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
    store?.setItem(keyOf(studio, kind, id, tab), JSON.stringify(record));
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
 */
export function takeUp(
  studio: string,
  tab: string,
  living: ReadonlySet<string>,
  arrived: (record: UnsentRecord) => boolean,
): LeftBehind {
  const store = storage();
  if (!store) return { records: [], others: [], unreadable: 0 };
  const found = keysOf(store).flatMap((key): OtherRecord[] => {
    const [kind = '', id = '', owner = ''] = key.startsWith(`${PREFIX}/${studio}/`) ? key.split('/').slice(3) : [];
    if (key !== EARLIER && (owner === '' || living.has(owner))) return [];
    const text = store.getItem(key) ?? '';
    const record = Object.hasOwn(documentSchemas, kind) ? readRecord(kind as DocumentKind, id, text) : null;
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

function readRecord(kind: DocumentKind, id: string, text: string): UnsentRecord | null {
  try {
    const { base, value, sent, at } = outlineSchema.parse(JSON.parse(text));
    const read = value === null ? null : documentSchemas[kind].parse(value);
    return { kind, id, base, value: read, at, ...(sent === undefined ? {} : { sent }) };
  } catch {
    return null;
  }
}

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
