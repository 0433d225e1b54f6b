// Loaded before a server (`--import`): on SIGUSR2 it writes to HELD_FILE for how many milliseconds its event loop was held at
// most since the last time.
import { writeFileSync } from 'node:fs';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { isMainThread } from 'node:worker_threads';

if (isMainThread && process.env.HELD_FILE) {
  const delay = monitorEventLoopDelay({ resolution: 2 });
  delay.enable();
  process.on('SIGUSR2', () => {
    writeFileSync(process.env.HELD_FILE, String(Math.round(delay.max / 1e6)));
    delay.reset();
  });
}
