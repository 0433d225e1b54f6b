// npm run test:core: the core's own tests, in seconds. What follows `--` goes to Jest: `-- plan`, `-- --watch`.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensurePackages, ROOT } from './lib/ensure.mjs';

ensurePackages();
const { status } = spawnSync(
  join(ROOT, 'node_modules/.bin/jest'),
  [
    '--selectProjects',
    'core',
    ...process.argv.slice(2).flatMap((word) => (word.startsWith('-') ? [word] : ['--testPathPatterns', word])),
  ],
  { cwd: ROOT, stdio: 'inherit', env: { ...process.env, NODE_OPTIONS: '--experimental-vm-modules --no-warnings' } },
);
process.exit(status ?? 1);
