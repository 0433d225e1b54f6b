import { diff } from '@warm-ladder/core/edits';
import { type DocumentKey, documentKey, splitDocumentKey } from '@warm-ladder/core/formats';
import type { SentChange } from '@warm-ladder/core/wire';
import { documentOf } from '../store/entities';
import { Refused, ServerFailed, server } from '../store/server';
import type { AppStore } from '../store/store';
import { answered, sending, unanswered } from '../store/studio';
import { isDocument, type SentAnswer, type StudioState } from '../store/studioState';

/** Milliseconds without an edit before it is sent: of what is done at once, and of what is typed letter by letter. */
const [SOON, QUIET] = [30, 350];
/** Milliseconds before asking again a server that is away: longer each time, up to the last. */
const RETRY = [1_000, 2_000, 4_000, 8_000, 15_000, 30_000] as const;

type Seen = Pick<StudioState, 'unsaved' | 'entities' | 'conflicts'>;

/**
 * Sends changes to the server together when the hand rests, so that documents that name each other are kept in one
 * transaction, and keeps trying while the server is away. What the server refuses is sent again with whatever is
 * changed next, since that may be what it lacked.
 */
export function startAutosave(store: AppStore): void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  /** Tries since the last answer; while there are any, the next one is on its way already. */
  let tries = 0;
  let seen: Seen | undefined;

  const later = (delay: number) => {
    clearTimeout(timer);
    timer = setTimeout(() => void send(), delay);
  };
  const send = async () => {
    const outcome = await sendWaiting(store);
    if (outcome === 'away') later(RETRY[Math.min(tries++, RETRY.length - 1)] ?? 0);
    else {
      tries = 0;
      if (outcome === 'again') later(0);
    }
  };
  store.subscribe(() => {
    const { studio } = store.getState();
    const before = seen;
    seen = studio;
    const edited = before?.unsaved !== studio.unsaved || before.entities !== studio.entities;
    const free = edited || before.conflicts !== studio.conflicts;
    if (free && Object.keys(studio.unsaved).length > 0 && tries === 0) later(delayOf(studio));
  });
  window.addEventListener('online', () => later(0));
  window.addEventListener('beforeunload', (event) => {
    const { unsaved, held } = store.getState().studio;
    // Only where closing would lose something: what the browser keeps is sent at the next visit.
    if (Object.keys(unsaved).length > 0 && !held) event.preventDefault();
  });
}

/** Whether what was done last goes on: the keystrokes of one field are sent together. */
const delayOf = ({ past }: StudioState): number => (past.at(-1)?.field ? QUIET : SOON);

/** Documents waiting to be sent: those in no conflict, if there is anything among them that was not refused as it is. */
function waiting({ unsaved, conflicts, refused, entities }: StudioState): DocumentKey[] {
  const asked = (key: DocumentKey) => conflicts.some(({ kind, id }) => `${kind}/${id}` === key);
  const keys = (Object.keys(unsaved) as DocumentKey[]).filter((key) => !asked(key));
  const fresh = keys.some(
    (key) => !refused[key] || refused[key].value !== documentOf(entities, ...splitDocumentKey(key)),
  );
  return fresh ? keys : [];
}

/** What is sent of a document: what was changed in it, or all of it where it is new, goes, or what it was is not known. */
function changeOf({ unsaved, versions }: StudioState, { kind, id, sent }: Omit<SentAnswer, 'answer'>): SentChange {
  const place = { kind, id, version: versions[kind][id] ?? 0 };
  const was = unsaved[documentKey(kind, id)]?.was;
  return place.version > 0 && isDocument(was) && isDocument(sent)
    ? { ...place, edit: diff(was, sent) }
    : { ...place, value: sent ?? null };
}

/** Sends what waits, together. @returns `again` when more waits by then, `away` when no answer came */
async function sendWaiting(store: AppStore): Promise<'done' | 'again' | 'away'> {
  if (waiting(store.getState().studio).length === 0) return 'done';
  await import('./keeping').then(({ keptSoFar }) => keptSoFar()).catch(() => undefined);
  const { studio } = store.getState();
  if (Object.keys(studio.sending).length > 0 || studio.status !== 'ready') return 'done';
  const keys = waiting(studio);
  if (keys.length === 0) return 'done';
  const sent = keys.map((key) => {
    const [kind, id] = splitDocumentKey(key);
    return { kind, id, sent: documentOf(studio.entities, kind, id) };
  });
  const changes = sent.map((each) => changeOf(studio, each));
  store.dispatch(sending(Object.fromEntries(sent.map((each, i) => [keys[i], { value: each.sent }]))));
  try {
    const { answers } = await server.change(changes);
    store.dispatch(
      answered(sent.flatMap((each, i): SentAnswer[] => (answers[i] ? [{ ...each, answer: answers[i] }] : []))),
    );
    return waiting(store.getState().studio).length > 0 ? 'again' : 'done';
  } catch (error) {
    const trouble = error instanceof ServerFailed || error instanceof Refused ? error.message : null;
    store.dispatch(unanswered({ sent, trouble }));
    return 'away';
  }
}
