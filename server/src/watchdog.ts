import { writeSync } from 'node:fs';
import { workerData } from 'node:worker_threads';
import type { Watched } from './threads/watch';

/*
 * A thread that ends a server whose own thread stands still for good: then no signal reaches that, and whoever is to
 * begin it anew waits in vain. What was kept is on the disk, and nothing else is answered.
 */
const { heartbeat, every, most } = workerData as Watched;
/** A thread writes there itself: its own stream goes through the thread that stands. */
const STDERR = 2;
const count = new Int32Array(heartbeat);

let [last, missed] = [-1, 0];
setInterval(() => {
  const now = Atomics.load(count, 0);
  missed = now === last ? missed + 1 : 0;
  last = now;
  if (missed < most) return;
  writeSync(
    STDERR,
    `The server has stood still for ${Math.round((missed * every) / 1_000)} seconds and was ended; what it had answered is kept. Start it again.\n`,
  );
  process.kill(process.pid, 'SIGKILL');
}, every);
