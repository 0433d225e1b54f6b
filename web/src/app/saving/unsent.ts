import { BUNDLE_VERSION, type Bundle, type DocumentKey, documentKey } from '@warm-ladder/core/formats';
import { documentOf, entitiesOf } from '../store/entities';
import { type Place, same } from '../store/studioState';
import { browserStore, ofStudio, type StoreTransaction, written } from './browserStore';
import { takeOver } from './earlierStore';

/** Where a document stands on its way to the server. */
export type Outgoing = 'waiting' | 'sent' | 'refused' | 'conflict';

/**
 * What could not be sent yet, kept in this browser: one record a document, apart for each studio and each tab, so that
 * no tab ever writes over another's. A record outlives its tab, and the next one to open takes it up.
 */
export interface UnsentRecord extends Place {
  /** The version the change was made from. */
  readonly base: number;
  /** The document as it is to be; `null` where it was removed. */
  readonly value: unknown;
  readonly state: Outgoing;
  /** Why it was refused. */
  readonly message?: string | undefined;
  /** What was sent and may have arrived, though no answer came. */
  readonly sent?: unknown;
  /** When it was written, in milliseconds. */
  readonly at: number;
}

/** Where a record lies in this browser: of one document two tabs may have left one each. */
export type RecordKey = [studio: string, tab: string, kind: string, id: string];

/** A second record of a document, by another tab: it lies where it is until the director has chosen. */
type OtherRecord = UnsentRecord & { readonly key: RecordKey };

/** What tabs that are gone have left: one record a document, what else there is of it, and how many can't be read. */
export interface LeftBehind {
  readonly records: readonly UnsentRecord[];
  readonly others: readonly OtherRecord[];
  readonly unreadable: number;
}

const textOf = ({ kind: _kind, id: _id, ...record }: UnsentRecord): string =>
  JSON.stringify({ ...record, format: BUNDLE_VERSION });

/** Puts a record of this tab where it is kept, in place of what it said before. */
export const putRecord = (transaction: StoreTransaction, studio: string, tab: string, record: UnsentRecord): void =>
  void transaction.objectStore('unsent').put(textOf(record), [studio, tab, record.kind, record.id]);

export const takeRecord = (transaction: StoreTransaction, key: RecordKey): void =>
  void transaction.objectStore('unsent').delete(key);

/**
 * Takes up what tabs that are gone have left of a studio, as this tab's own. What does not fit its schema (an older
 * version's, or damage) is put where it stops nothing and can still be looked at.
 * @param living tabs that are open now: their work is theirs
 * @param whole the studio as the server has it, asked for only where there is something to hold against it: what a
 * record says may have arrived, and an older version’s may name phases by their place
 */
export async function takeUp(
  studio: string,
  tab: string,
  living: ReadonlySet<string>,
  whole: () => Promise<Bundle>,
): Promise<LeftBehind> {
  // A browser that keeps nothing has nothing left.
  const left = await leftIn(studio, living).catch(() => []);
  if (left.length === 0) return { records: [], others: [], unreadable: (await unreadable()).length };
  const { readRecord } = await import('./readRecord');
  const bundle = await whole();
  const there = entitiesOf(bundle);
  /** Whether the server has just what a record says: it was sent, and only the answer was lost. */
  const arrived = ({ kind, id, value }: UnsentRecord) => same(documentOf(there, kind, id) ?? null, value);
  const found: OtherRecord[] = [];
  const gone: RecordKey[] = [];
  const spoilt: Array<readonly [string, string]> = [];
  for (const { key, text } of left) {
    const [, , kind, id] = key;
    const record = readRecord(kind, id, text, bundle.exercises);
    if (record && !arrived(record)) found.push({ ...record, key });
    else gone.push(key);
    if (!record) spoilt.push([key.join('/'), text]);
  }
  const records = new Map<DocumentKey, UnsentRecord>();
  const others: OtherRecord[] = [];
  for (const { key, ...record } of found.sort((a, b) => b.at - a.at)) {
    const later = records.get(documentKey(record.kind, record.id));
    if (later && JSON.stringify(later.value) !== JSON.stringify(record.value)) {
      others.push({ ...record, key });
      continue;
    }
    if (!later) records.set(documentKey(record.kind, record.id), record);
    gone.push(key);
  }
  await written(['unsent', 'unreadable'], (transaction) => {
    for (const key of gone) takeRecord(transaction, key);
    for (const record of records.values()) putRecord(transaction, studio, tab, record);
    for (const [key, text] of spoilt) void transaction.objectStore('unreadable').put(text, key);
  });
  return { records: [...records.values()], others, unreadable: (await unreadable()).length };
}

/** What tabs that are gone have kept of a studio, as it lies in this browser. */
async function leftIn(studio: string, living: ReadonlySet<string>) {
  await takeOver(studio, living);
  const db = await browserStore();
  const keys = (await db.getAllKeys('unsent', ofStudio(studio))).filter(([, owner]) => !living.has(owner));
  return Promise.all(keys.map(async (key) => ({ key, text: (await db.get('unsent', key)) ?? '' })));
}

/** Lets go of a record that was chosen against, or for. */
export const dropRecord = (key: RecordKey): Promise<boolean> =>
  written(['unsent'], (transaction) => takeRecord(transaction, key));

/** What this browser kept and can't read, by its place, for the director to save or let go. */
export async function unreadable(): Promise<Array<{ readonly key: string; readonly text: string }>> {
  try {
    const db = await browserStore();
    const [keys, texts] = await Promise.all([db.getAllKeys('unreadable'), db.getAll('unreadable')]);
    return keys.map((key, i) => ({ key, text: texts[i] ?? '' }));
  } catch {
    return [];
  }
}

export const dropUnreadable = (key: string): Promise<boolean> =>
  written(['unreadable'], (transaction) => void transaction.objectStore('unreadable').delete(key));
