// What npm test and npm run check:long have in common: each runs its own part of the same tests.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild, ensureChromium, ensurePackages, ensurePostgres, ensurePreparedFolder, ROOT } from './ensure.mjs';
import { startPostgres } from './postgres.mjs';

export const bin = (name) => join(ROOT, 'node_modules/.bin', name);
export const node = (...args) => [process.execPath, args];
export const secondsSince = (since) => Math.round((Date.now() - since) / 1000);

/** Installs what is missing; a browser, and a database server where there is one, are told to the checks. */
export async function prepareChecks() {
  ensurePackages();
  const CHROMIUM_PATH = ensureChromium();
  ensurePostgres();
  const postgres = await startPostgres();
  process.on('exit', () => postgres?.end());
  return { postgres, env: { CHROMIUM_PATH, ...(postgres ? { TEST_DATABASE_URL: postgres.url() } : {}) } };
}

/** Builds what is out of date; for checks of the program. */
export function buildForChecks() {
  ensureBuild();
  return { PREPARED_FOLDER: ensurePreparedFolder() };
}

/** Tests that take seconds, or those that take many: files named `*.long.test.ts` or `*.scaled.test.ts`, and what is tagged `@long`. */
export const unitTests = (part) => [
  part === 'long' ? 'long tests of core and server' : 'core, server and web',
  bin('jest'),
  [],
  { NODE_OPTIONS: '--experimental-vm-modules --no-warnings', TESTS: part },
];
export const interfaceTests = (part) => [
  part === 'long' ? 'long tests of the interface' : 'interface',
  bin('playwright'),
  ['test', '-c', 'e2e/playwright.config.ts', part === 'long' ? '--grep' : '--grep-invert', '@long'],
];

/** Runs checks one after another up to the first that fails. @returns whether all passed */
export function runChecks(checks, env, times) {
  for (const [name, command, args, own = {}] of checks) {
    console.log(`\n— ${name}`);
    const since = Date.now();
    const { status } = spawnSync(command, args, {
      cwd: ROOT,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, ...env, ...own },
    });
    times.push([name, secondsSince(since)]);
    if (status !== 0) {
      console.error(`\nThe check “${name}” failed.`);
      return false;
    }
  }
  return true;
}

/** Ends with how long each check took. */
export function endChecks(times, began, failed, postgres) {
  if (!postgres)
    console.log('\nNot run: what needs a PostgreSQL server (Debian: postgresql), which is not installed here.');
  console.log(`\n${times.map(([name, took]) => `${name} ${took} s`).join(', ')}`);
  console.log(`${times.length - (failed ? 1 : 0)} passed, ${failed ? 1 : 0} failed in ${secondsSince(began)} s`);
  process.exit(failed ? 1 : 0);
}
