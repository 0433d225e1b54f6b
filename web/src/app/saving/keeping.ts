import { type DocumentKey, documentKey, splitDocumentKey } from '@warm-ladder/core/formats';
import { historyWrite, putHistory } from '../history/historyStore';
import { documentOf } from '../store/entities';
import type { AppStore } from '../store/store';
import { kept } from '../store/studio';
import type { HistoryStep, StudioState } from '../store/studioState';
import { written } from './browserStore';
import { TAB } from './tabs';
import { type Outgoing, putRecord, takeRecord, type UnsentRecord } from './unsent';

const FACTS = [
  'unsaved',
  'entities',
  'conflicts',
  'versions',
  'unanswered',
  'refused',
  'sending',
  'past',
  'future',
] as const;

/**
 * Keeps in this browser, as it happens, what waits to be sent and the steps of undo: what is changed while something is
 * being written is written right after it, once.
 */
export function startKeeping(store: AppStore): void {
  const records = new Records();
  let seen: StudioState | undefined;
  let writing = false;
  const writeAll = async () => {
    for (let last: StudioState | undefined; last !== seen; ) {
      last = seen;
      const { studio } = store.getState();
      const held = await records.write(studio);
      if (held !== store.getState().studio.held) store.dispatch(kept(held));
    }
    writing = false;
  };
  const write = () => {
    if (writing) return;
    writing = true;
    lastWrite = writeAll();
  };
  const look = () => {
    const { studio } = store.getState();
    const before = seen;
    if (studio.status !== 'ready' || (before && FACTS.every((fact) => before[fact] === studio[fact]))) return;
    seen = studio;
    write();
  };
  store.subscribe(look);
  look();
}

let lastWrite: Promise<void> = Promise.resolve();
/** Milliseconds after which nobody waits any longer for a browser's store. */
const PATIENCE = 2_000;

/**
 * Waits until all that was changed is kept. What is sent must be what is kept: else a page that closes before its record
 * is taken away leaves an older one, and the next page would take it for a clash with somebody else.
 */
export const keptSoFar = (): Promise<void> =>
  Promise.race([lastWrite, new Promise<void>((resolve) => setTimeout(resolve, PATIENCE))]);

/** Where a document stands on its way to the server. */
function stateOf({ conflicts, refused, sending }: StudioState, key: DocumentKey): Outgoing {
  if (conflicts.some(({ kind, id }) => documentKey(kind, id) === key)) return 'conflict';
  if (refused[key]) return 'refused';
  return sending[key] ? 'sent' : 'waiting';
}

/** What of this tab is in the browser's store: each is written only when what it says has changed. */
class Records {
  readonly #unsent = new Map<DocumentKey, readonly unknown[]>();
  #steps = new Map<number, HistoryStep>();
  #last = 0;

  /** @returns whether everything unsaved is held */
  async write(studio: StudioState): Promise<boolean> {
    const facts = new Map((Object.keys(studio.unsaved) as DocumentKey[]).map((key) => [key, factsOf(studio, key)]));
    const put = [...facts].filter(([key, own]) => !own.every((fact, i) => fact === this.#unsent.get(key)?.[i]));
    const gone = [...this.#unsent.keys()].filter((key) => !facts.has(key));
    const history = historyWrite(this.#steps, studio);
    const went = history.put.length + history.drop.length > 0 || history.last !== this.#last;
    if (put.length + gone.length === 0 && !went) return true;
    const at = Date.now();
    const held = await written(['unsent', 'steps', 'cursors'], (transaction) => {
      for (const [key] of put) putRecord(transaction, studio.id, TAB, recordOf(studio, key, at));
      for (const key of gone) takeRecord(transaction, [studio.id, TAB, ...splitDocumentKey(key)]);
      if (went) putHistory(transaction, studio.id, TAB, history);
    });
    // What was not written is tried again with the next change.
    if (!held) return facts.size === 0;
    for (const [key, own] of put) this.#unsent.set(key, own);
    for (const key of gone) this.#unsent.delete(key);
    this.#steps = new Map([...studio.past, ...studio.future].map((step) => [step.n, step]));
    this.#last = history.last;
    return true;
  }
}

/** What of a document is at the server, or may be. */
const sentOf = ({ sending, unanswered }: StudioState, key: DocumentKey) => sending[key] ?? unanswered[key];

const factsOf = (studio: StudioState, key: DocumentKey): readonly unknown[] => {
  const [kind, id] = splitDocumentKey(key);
  return [
    documentOf(studio.entities, kind, id),
    studio.versions[kind][id],
    sentOf(studio, key),
    stateOf(studio, key),
    studio.refused[key]?.message,
  ];
};

function recordOf(studio: StudioState, key: DocumentKey, at: number): UnsentRecord {
  const [kind, id] = splitDocumentKey(key);
  const sent = sentOf(studio, key);
  return {
    kind,
    id,
    base: studio.versions[kind][id] ?? 0,
    value: documentOf(studio.entities, kind, id) ?? null,
    state: stateOf(studio, key),
    message: studio.refused[key]?.message,
    at,
    ...(sent ? { sent: sent.value ?? null } : {}),
  };
}
