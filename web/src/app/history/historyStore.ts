import { browserStore, ofStudio, type StoreTransaction, written } from '../saving/browserStore';
import { type HistoryStep, type KeptHistory, NO_HISTORY } from '../store/studioState';

/** What is written of a history: the steps that are another now, those that are gone, and which is the last one done. */
export interface HistoryWrite {
  readonly put: readonly HistoryStep[];
  readonly drop: readonly number[];
  readonly last: number;
}

/** @param before the steps as they were written last, by their number */
export function historyWrite(before: ReadonlyMap<number, HistoryStep>, { past, future }: KeptHistory): HistoryWrite {
  const steps = [...past, ...future];
  const here = new Set(steps.map(({ n }) => n));
  return {
    put: steps.filter((step) => before.get(step.n) !== step),
    drop: [...before.keys()].filter((n) => !here.has(n)),
    last: past.at(-1)?.n ?? 0,
  };
}

export function putHistory(
  transaction: StoreTransaction,
  studio: string,
  tab: string,
  { put, drop, last }: HistoryWrite,
): void {
  const steps = transaction.objectStore('steps');
  for (const n of drop) void steps.delete([studio, tab, n]);
  for (const step of put) void steps.put(JSON.stringify(step), [studio, tab, step.n]);
  void transaction.objectStore('cursors').put({ last, at: Date.now() }, [studio, tab]);
}

/**
 * Takes up the history of a tab that is gone, as this tab's own: of the page that was here before, or else of the one
 * that was used last. Those of other tabs that are gone are let go.
 * @param former the tab of the page that was in this window before
 */
export async function takeUpHistory(
  studio: string,
  tab: string,
  former: string | null,
  living: ReadonlySet<string>,
): Promise<KeptHistory> {
  try {
    const db = await browserStore();
    const keys = await db.getAllKeys('cursors', ofStudio(studio));
    const cursors = await db.getAll('cursors', ofStudio(studio));
    const gone = keys
      .map(([, owner], i) => ({ owner, last: cursors[i]?.last ?? 0, at: cursors[i]?.at ?? 0 }))
      .filter(({ owner }) => !living.has(owner))
      .sort((a, b) => Number(b.owner === former) - Number(a.owner === former) || b.at - a.at);
    const [own] = gone;
    if (!own) return NO_HISTORY;
    const all = await db.getAllKeys('steps', ofStudio(studio));
    const left = all.filter(([, owner]) => !living.has(owner));
    const texts = await Promise.all(left.filter(([, owner]) => owner === own.owner).map((key) => db.get('steps', key)));
    const { readHistory } = await import('./readHistory');
    const history = readHistory(texts, own.last);
    await written(['steps', 'cursors'], (transaction) => {
      for (const key of left) void transaction.objectStore('steps').delete(key);
      for (const { owner } of gone) void transaction.objectStore('cursors').delete([studio, owner]);
      putHistory(transaction, studio, tab, historyWrite(new Map(), history));
    });
    return history;
  } catch {
    // A browser that keeps nothing has nothing left.
    return NO_HISTORY;
  }
}
