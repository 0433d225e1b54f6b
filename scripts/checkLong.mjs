// npm run check:long: what takes minutes, or rights that a test run does not have. Each row says whether it was run.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './lib/ensure.mjs';

const results = [['faults.mjs', '--size=medium'], ['checkOffice.mjs']].map(
  ([name, ...args]) => spawnSync(process.execPath, [join(ROOT, 'scripts', name), ...args], { stdio: 'inherit' }).status,
);
process.exit(results.every((status) => status === 0) ? 0 : 1);
