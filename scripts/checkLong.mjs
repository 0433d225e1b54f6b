// npm run check:long: what takes minutes, or rights that a test run does not have. Each row says whether it was run.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './lib/ensure.mjs';

const { status } = spawnSync(process.execPath, [join(ROOT, 'scripts/faults.mjs'), '--size=medium'], {
  stdio: 'inherit',
});
process.exit(status ?? 1);
