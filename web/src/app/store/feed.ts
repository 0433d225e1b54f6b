import { BUILD_EVENT } from '@warm-ladder/core/formats';
import type { FeedEvent } from '@warm-ladder/core/wire';
import { whenFeedFree } from '../saving/heldFeed';
import { noteBuild } from '../shell/build';
import type { AppStore } from './store';
import { fed, loadStudio } from './studio';
import { withFed } from './studioAnswers';

/** What tabs of one browser share: one of them listens to the server, and tells the others. */
const NAME = 'warm-ladder/feed';
/** Milliseconds before a line that the server has closed for good is opened again. */
const AGAIN = 3_000;

/** Reads the studio anew until it is of a revision, once for all that ask meanwhile; where no answer comes it is left. */
function untilRead(store: AppStore): (revision: number) => Promise<void> {
  let [wanted, reading] = [0, false];
  return async (revision) => {
    wanted = Math.max(wanted, revision);
    if (reading) return;
    reading = true;
    for (let read = true; read && store.getState().studio.readAt < wanted; ) {
      read = loadStudio.fulfilled.match(await store.dispatch(loadStudio(null)));
    }
    reading = false;
  };
}

/**
 * Brings in what others change, as it happens. A browser gives one site only a few lines at a time, so one tab listens
 * for all, and when it closes another takes its place; where tabs can't agree on one, each listens for itself.
 */
export function startFeed(store: AppStore): void {
  const tabs = new BroadcastChannel(NAME);
  const read = untilRead(store);
  const take = (event: FeedEvent) => {
    const { studio } = store.getState();
    if (studio.status !== 'ready' || event.revision <= studio.revision) return;
    if (event.changes === null) void store.dispatch(loadStudio(null));
    else if (withFed(studio, event)) store.dispatch(fed(event));
    // Of what is not here as it was before, what was changed tells nothing.
    else void read(event.revision);
  };
  tabs.onmessage = ({ data }: MessageEvent<FeedEvent>) => whenFeedFree(() => take(data));
  const listen = (): Promise<never> => {
    const open = () => {
      const { studio } = store.getState();
      if (studio.status !== 'ready') return void setTimeout(open, AGAIN / 10);
      const line = new EventSource(`/api/feed?since=${studio.revision}`);
      line.onmessage = ({ data }: MessageEvent<string>) => {
        const event = JSON.parse(data) as FeedEvent;
        whenFeedFree(() => take(event));
        tabs.postMessage(event);
      };
      line.addEventListener(BUILD_EVENT, ({ data }: MessageEvent<string>) => noteBuild(JSON.parse(data) as string));
      // A line that broke is taken up again by the browser from where it was; one that was refused is not.
      line.onerror = () => {
        if (line.readyState === EventSource.CLOSED) setTimeout(open, AGAIN);
      };
    };
    open();
    return new Promise(() => undefined);
  };
  if (navigator.locks) void navigator.locks.request(NAME, listen);
  else void listen();
}
