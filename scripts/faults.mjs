// npm run faults: kills, power cuts, full disks, damaged files and namespaces, in minutes; needs the right to mount.
// `-- --size=short` runs a few of each, in seconds and without rights; `--size=medium`, in between, is part of
// npm run check:long.
import { ensurePackages, ensurePreparedFolder, ensureServer, runTypeScript } from './lib/ensure.mjs';
import { startPostgres } from './lib/postgres.mjs';

ensurePackages();
ensureServer();
const short = process.argv.includes('--size=short');
const postgres = short ? null : await startPostgres({ durable: true });
process.on('exit', () => postgres?.end());
const env = {
  ...(postgres ? { TEST_DATABASE_URL: postgres.url() } : {}),
  ...process.env,
  PREPARED_FOLDER: ensurePreparedFolder(),
};
runTypeScript('e2e/faults/run.ts', process.argv.slice(2), { env });
