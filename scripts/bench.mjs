// npm run bench: one JSON line a figure, each with the bound it must keep and their ratio.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild, ensureChromium, ensurePackages, ensurePreparedFolder, ROOT } from './lib/ensure.mjs';
import { startPostgres } from './lib/postgres.mjs';

ensurePackages();
ensureBuild();
const postgres = await startPostgres({ durable: true });
process.on('exit', () => postgres?.end());
const env = {
  ...(postgres ? { TEST_DATABASE_URL: postgres.url() } : {}),
  ...process.env,
  CHROMIUM_PATH: ensureChromium(),
  PREPARED_FOLDER: ensurePreparedFolder(),
};
function run(command, args, stdio = 'inherit') {
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio, env });
  if (status !== 0) process.exit(status ?? 1);
}
// What is measured in the core is compiled first, as the server and the page are.
run(join(ROOT, 'node_modules/.bin/vite'), ['build', '-c', 'e2e/bench/vite.config.ts', '--logLevel', 'error'], 'ignore');
for (const name of ['review', 'body', 'sequence', 'voice', 'series', 'taught'])
  run(process.execPath, [join(ROOT, 'e2e/dist', `${name}.js`)]);
for (const name of [
  'saving',
  'importing',
  'startup',
  'interface',
  'hands',
  'climb',
  'large',
  'list',
  'figures',
  'sight',
  'standing',
  'processes',
]) {
  run(process.execPath, ['--import', 'tsx', join(ROOT, 'e2e/bench', `${name}.ts`)]);
}
