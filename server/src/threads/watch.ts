import inspector from 'node:inspector';
import { Worker } from 'node:worker_threads';
import { threadFile } from './threadFile';

/** Milliseconds between two looks at a server, and looks in a row that find it standing before it is ended. */
const [EVERY, MOST] = [1_000, 15];

/** What a watchdog (`watchdog.ts`) is begun with. */
export interface Watched {
  /** A count that rises as long as the server's thread goes on. */
  readonly heartbeat: SharedArrayBuffer;
  readonly every: number;
  readonly most: number;
}

/** Has this process ended when its thread stands still: no signal would end it then. One that is debugged may stand. */
export function watchOver(): void {
  if (inspector.url() !== undefined) return;
  const heartbeat = new SharedArrayBuffer(4);
  const count = new Int32Array(heartbeat);
  const watched: Watched = { heartbeat, every: EVERY, most: MOST };
  const watchdog = new Worker(threadFile('watchdog'), { workerData: watched });
  watchdog.unref();
  // A machine that slept wakes with both threads: the count goes on before the next look.
  setInterval(() => Atomics.add(count, 0, 1), EVERY / 2).unref();
}
