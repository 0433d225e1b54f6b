// npm run faults: kills, power cuts, full disks, damaged files and namespaces, in minutes; needs the right to mount.
// `-- --size=short` runs a few of each, in seconds and without rights, as npm test does; `--size=medium` in between.
import { ensurePackages, ensurePreparedFolder, ensureServer, runTypeScript } from './lib/ensure.mjs';

ensurePackages();
ensureServer();
const env = { ...process.env, PREPARED_FOLDER: ensurePreparedFolder() };
runTypeScript('e2e/faults/run.ts', process.argv.slice(2), { env });
