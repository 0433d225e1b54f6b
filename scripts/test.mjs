// npm test: installs what is missing, then every check, the quick ones first.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild, ensureChromium, ensurePackages, ROOT } from './lib/ensure.mjs';

ensurePackages();
const bin = (name) => join(ROOT, 'node_modules/.bin', name);
const CHECKS = [
  ['format and lint', bin('biome'), ['check', '--error-on-warnings', '.']],
  ...['core', 'server', 'web', 'e2e'].map((folder) => [`types of ${folder}`, bin('tsc'), ['--noEmit', '-p', folder]]),
  ['nothing dead', bin('knip'), ['--no-progress']],
  ['published schema', process.execPath, ['--import', 'tsx', 'server/src/publishSchema.ts', '--check']],
  ['core and server', bin('jest'), [], { NODE_OPTIONS: '--experimental-vm-modules --no-warnings' }],
  ['interface', bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts'], { CHROMIUM_PATH: ensureChromium() }],
];
ensureBuild();

let passed = 0;
for (const [name, command, args, env = {}] of CHECKS) {
  console.log(`\n— ${name}`);
  const { status } = spawnSync(command, args, {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  });
  if (status !== 0) {
    console.error(`\nThe check “${name}” failed.`);
    console.log(`${passed} passed, 1 failed`);
    process.exit(1);
  }
  passed += 1;
}
console.log(`\n${passed} passed, 0 failed`);
