// npm run check:long: what takes minutes or rights that a test run does not have. Says what did not run, and why.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './lib/ensure.mjs';

if (process.getuid?.() !== 0) {
  console.log('Not run: the long faults need the right to mount (start as root).');
} else {
  const { status } = spawnSync(process.execPath, [join(ROOT, 'scripts/faults.mjs'), '--size=medium'], {
    stdio: 'inherit',
  });
  process.exit(status ?? 1);
}
