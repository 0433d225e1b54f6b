import { type DBSchema, type IDBPDatabase, type IDBPTransaction, openDB } from 'idb';

/** What this browser keeps of studios, by studio and by the tab that wrote it, so that no tab writes over another's. */
interface Kept extends DBSchema {
  /** Documents that wait to be sent, each as JSON. */
  unsent: { key: [studio: string, tab: string, kind: string, id: string]; value: string };
  /** Steps of undo, each as JSON, by their number. */
  steps: { key: [studio: string, tab: string, n: number]; value: string };
  /** The number of the last step done: those after it were undone. */
  cursors: { key: [studio: string, tab: string]; value: { readonly last: number; readonly at: number } };
  /** What could not be read, as it was, by where it lay. */
  unreadable: { key: string; value: string };
}
type BrowserStore = IDBPDatabase<Kept>;
type StoreName = 'unsent' | 'steps' | 'cursors' | 'unreadable';
export type StoreTransaction = IDBPTransaction<Kept, readonly StoreName[], 'readwrite'>;

const NAME = 'warm-ladder';
const VERSION = 1;

let opening: Promise<BrowserStore> | undefined;

/** Milliseconds after which a store that does not open is taken for none: nobody is to wait for it. */
const PATIENCE = 3_000;

/** @throws where the browser keeps nothing: its storage is forbidden, full, or does not open */
export function browserStore(): Promise<BrowserStore> {
  opening ??= inTime(
    openDB<Kept>(NAME, VERSION, {
      upgrade: (db) => {
        for (const name of ['unsent', 'steps', 'cursors', 'unreadable'] as const) db.createObjectStore(name);
      },
      // Another tab of a newer version may want it: it opens again at the next write.
      blocking: (_current, _blocked, event) => {
        (event.target as IDBDatabase).close();
        opening = undefined;
      },
      terminated: () => {
        opening = undefined;
      },
    }),
  );
  return opening;
}

/** A store that opens too late is there for what comes after; until then every call fails at once. */
function inTime(open: Promise<BrowserStore>): Promise<BrowserStore> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(() => reject(new Error('The store of this browser does not open.')), PATIENCE);
    open.then(
      (db) => {
        clearTimeout(timer);
        opening = open;
        resolve(db);
      },
      (error: unknown) => {
        clearTimeout(timer);
        opening = undefined;
        reject(error);
      },
    );
  });
}

/** Everything of a studio: keys are lists, and a list sorts before a longer one that begins with it. */
export const ofStudio = (studio: string): IDBKeyRange => IDBKeyRange.bound([studio], [studio, []]);

/**
 * Writes in one transaction that is asked to end at once: what was asked for is kept though the page closes meanwhile.
 * @returns whether it is kept
 */
export async function written(
  stores: readonly StoreName[],
  write: (transaction: StoreTransaction) => void,
): Promise<boolean> {
  try {
    const transaction = (await browserStore()).transaction(stores, 'readwrite');
    write(transaction);
    transaction.commit();
    await transaction.done;
    return true;
  } catch {
    return false;
  }
}
