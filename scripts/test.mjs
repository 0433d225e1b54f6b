// npm test: installs what is missing, then every check that takes seconds, the quick ones first. The last lines say how
// long each took. What takes minutes is npm run check:long.
import { spawn } from 'node:child_process';
import {
  bin,
  buildForChecks,
  endChecks,
  interfaceTests,
  node,
  prepareChecks,
  runChecks,
  secondsSince,
  unitTests,
} from './lib/checks.mjs';
import { ROOT } from './lib/ensure.mjs';

const { postgres, env } = await prepareChecks();

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
  unitTests('quick'),
  interfaceTests('quick'),
];

const began = Date.now();
const times = [];
const quick = QUICK.map(([name, command, args]) => {
  const since = Date.now();
  const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
  return new Promise((resolve) =>
    child.on('close', (code) => resolve({ name, code, said, took: secondsSince(since) })),
  );
});
for (const { name, code, said, took } of await Promise.all(quick)) {
  times.push([name, took]);
  if (code === 0) continue;
  console.error(`${said}\nThe check “${name}” failed.`);
  endChecks(times, began, true, postgres);
}
const building = Date.now();
const built = buildForChecks();
times.push(['build', secondsSince(building)]);
endChecks(times, began, !runChecks(SLOW, { ...env, ...built }, times), postgres);
