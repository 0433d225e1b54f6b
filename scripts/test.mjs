// npm test: installs what is missing, then every check, the quick ones first. The last lines say how long each took.
import { spawn, spawnSync } from 'node:child_process';
import { join } from 'node:path';
import {
  ensureBuild,
  ensureChromium,
  ensurePackages,
  ensurePostgres,
  ensurePreparedFolder,
  ROOT,
} from './lib/ensure.mjs';
import { startPostgres } from './lib/postgres.mjs';

ensurePackages();
const CHROMIUM_PATH = ensureChromium();
ensurePostgres();
const postgres = await startPostgres();
process.on('exit', () => postgres?.end());
const bin = (name) => join(ROOT, 'node_modules/.bin', name);
const node = (...args) => [process.execPath, args];

/** Checks of the text alone: side by side, their words shown only when one fails. */
const QUICK = [
  ['format and lint', bin('biome'), ['check', '--error-on-warnings', '.']],
  ...['core', 'server', 'web', 'e2e'].map((folder) => [`types of ${folder}`, bin('tsc'), ['--noEmit', '-p', folder]]),
  ['nothing dead', bin('knip'), ['--no-progress']],
];
/** Checks of the program, one after another. */
const SLOW = [
  ['published schema and tables', ...node('server/dist/publish.js', '--check')],
  ['chunks as sent', ...node('scripts/chunks.mjs')],
  ['core, server and web', bin('jest'), [], { NODE_OPTIONS: '--experimental-vm-modules --no-warnings' }],
  ['faults, in short', ...node('--import', 'tsx', 'e2e/faults/run.ts', '--size=short')],
  ['interface', bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts'], { CHROMIUM_PATH }],
];

const began = Date.now();
const times = [];
const seconds = (since) => Math.round((Date.now() - since) / 1000);
function end(failed) {
  if (!postgres)
    console.log('\nNot run: what needs a PostgreSQL server (Debian: postgresql), which is not installed here.');
  console.log(`\n${times.map(([name, took]) => `${name} ${took} s`).join(', ')}`);
  console.log(`${times.length - (failed ? 1 : 0)} passed, ${failed ? 1 : 0} failed in ${seconds(began)} s`);
  process.exit(failed ? 1 : 0);
}

const quick = QUICK.map(([name, command, args]) => {
  const since = Date.now();
  const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
  return new Promise((resolve) => child.on('close', (code) => resolve({ name, code, said, took: seconds(since) })));
});
for (const { name, code, said, took } of await Promise.all(quick)) {
  times.push([name, took]);
  if (code === 0) continue;
  console.error(`${said}\nThe check “${name}” failed.`);
  end(true);
}
const building = Date.now();
ensureBuild();
const PREPARED_FOLDER = ensurePreparedFolder();
times.push(['build', seconds(building)]);

for (const [name, command, args, env = {}] of SLOW) {
  console.log(`\n— ${name}`);
  const since = Date.now();
  const { status } = spawnSync(command, args, {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: {
      ...process.env,
      PREPARED_FOLDER,
      ...(postgres ? { TEST_DATABASE_URL: postgres.url() } : {}),
      ...env,
    },
  });
  times.push([name, seconds(since)]);
  if (status !== 0) {
    console.error(`\nThe check “${name}” failed.`);
    end(true);
  }
}
end(false);
