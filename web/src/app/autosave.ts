import { Refused, ServerAway, server } from './server';
import type { AppStore } from './store';
import { conflictFound, documentOf, type StudioState, saved, savingFailed, savingStarted, splitKey } from './studio';
import { rememberUnsaved } from './unsaved';

/** Milliseconds without an edit before it is sent. */
const QUIET = 350;
/** Milliseconds before asking a server that is away again. */
const RETRY = 2_000;

/** Sends every change to the server, one document at a time, and keeps trying while the server is away. */
export function startAutosave(store: AppStore): void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let seen: Pick<StudioState, 'unsaved' | 'bundle' | 'conflicts'> | undefined;

  const later = (delay: number) => {
    clearTimeout(timer);
    timer = setTimeout(() => void sendNext(store).then((again) => again !== null && later(again)), delay);
  };
  store.subscribe(() => {
    const { studio } = store.getState();
    const { unsaved, bundle, conflicts } = studio;
    // A settled conflict frees its document to be sent, though nothing in it has changed.
    if (seen?.unsaved === unsaved && seen.bundle === bundle && seen.conflicts === conflicts) return;
    seen = { unsaved, bundle, conflicts };
    remember(studio);
    if (nextKey(studio) !== undefined) later(QUIET);
  });
  window.addEventListener('beforeunload', (event) => {
    if (nextKey(store.getState().studio) !== undefined) event.preventDefault();
  });
}

/** The next document to send; one in conflict waits for the director. */
function nextKey({ unsaved, conflicts, status }: StudioState): string | undefined {
  if (status !== 'ready') return undefined;
  return Object.keys(unsaved).find((key) => !conflicts.some(({ kind, id }) => key === `${kind}/${id}`));
}

function remember({ unsaved, bundle, versions, status }: StudioState): void {
  if (status !== 'ready') return;
  const entries = Object.keys(unsaved).map((key) => {
    const [kind, id] = splitKey(key);
    return [key, { base: versions[kind][id] ?? 0, value: documentOf(bundle, kind, id) }];
  });
  rememberUnsaved(Object.fromEntries(entries));
}

/** @returns milliseconds until there is something to do again, or `null` when all is kept */
async function sendNext(store: AppStore): Promise<number | null> {
  const { studio } = store.getState();
  const key = nextKey(studio);
  if (key === undefined || studio.saving) return key === undefined ? null : QUIET;
  const [kind, id] = splitKey(key);
  const sent = documentOf(studio.bundle, kind, id);
  const base = studio.versions[kind][id] ?? 0;
  store.dispatch(savingStarted());
  try {
    if (sent !== undefined) {
      const { version } = await server.put(kind, id, base, sent);
      store.dispatch(saved({ kind, id, version, sent }));
    } else {
      if (base !== 0) await server.remove(kind, id, base);
      store.dispatch(saved({ kind, id, version: 0, sent }));
    }
    return nextKey(store.getState().studio) === undefined ? null : 0;
  } catch (error) {
    if (error instanceof Refused && error.code === 'STALE') {
      store.dispatch(conflictFound({ kind, id, current: error.current }));
      return 0;
    }
    const away = error instanceof ServerAway || (error instanceof Refused && error.code === 'INTERNAL');
    store.dispatch(
      savingFailed({ away, refusal: away ? null : error instanceof Error ? error.message : String(error) }),
    );
    return away ? RETRY : null;
  }
}
