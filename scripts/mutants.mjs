// npm run mutants: do the tests catch a fault? One-line faults are made in a copy of the tree, one at a time, and the
// tests that import the file run, nearest first, up to the first that fails.
// `-- --faults 60 --seed 1 --minutes 35 --least 85`; `-- --only core/plan` for one part, `-- --list` to see them only.
import { execFileSync, spawn } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { createInterface } from 'node:readline';
import { parseArgs } from 'node:util';
import { buildForChecks, prepareChecks, secondsSince } from './lib/checks.mjs';
import { ROOT } from './lib/ensure.mjs';
import { testsOf, usersOf } from './lib/imports.mjs';
import { faultsOf, withFault } from './lib/mutate.mjs';

const { values } = parseArgs({
  options: {
    faults: { type: 'string', default: '60' },
    seed: { type: 'string', default: '1' },
    minutes: { type: 'string', default: '35' },
    only: { type: 'string', default: '' },
    least: { type: 'string', default: '85' },
    list: { type: 'boolean', default: false },
  },
});
const WANTED = Number(values.faults);
const ENDS = Date.now() + Number(values.minutes) * 60_000;
/** At least this share of the faults is to be caught. */
const CAUGHT = Number(values.least) / 100;
/**
 * Seconds for the tests of one fault, those of seconds and then the nearest of those of minutes: what they don't catch by
 * then counts as not caught.
 */
const PATIENCE = { quick: 110, long: 70 };
/** Seconds for tests that are to pass. */
const UNHURRIED = 900;
/** So many files of long tests at most. */
const MOST_LONG = 3;
/** Seconds one file of tests takes at most, many times what the slowest does: longer is a loop without an end. */
const HANGS = 90;
/** Of ten faults so many are in each part: the core computes, the pages only show. */
const PARTS = [
  ['core/', 6],
  ['server/src/', 2],
  ['web/src/', 2],
];
/** Numbers of the server are times and sizes of a machine: how long it waits is no behaviour to hold by value. */
const isMachine = ({ file, kind }) => kind === 'number' && file.startsWith('server/');
/** No behaviour of the product, or what it may change without anybody being wrong: examples, and what serves tests. */
const NOT_TRIED = /\.test\.ts$|\/index\.ts$|^core\/testing\/|\/testing\/|\.d\.ts$/;

/** Numbers from a seed, each from 0 up to 1 (mulberry32). */
function chanceFrom(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

const tracked = execFileSync('git', ['ls-files', '-co', '--exclude-standard', '--deduplicate'], { cwd: ROOT })
  .toString()
  .split('\n')
  .filter(Boolean);
const sources = tracked.filter((file) => /^(core|server\/src|web\/src)\/.*\.tsx?$/.test(file));
const users = usersOf(ROOT, sources);

/** Faults by chance: a part, a kind of fault, then one of that kind anywhere in the part's files. */
function choose(count, chance) {
  const pick = (list) => list[Math.floor(chance() * list.length)];
  const unreached = [];
  const byPart = PARTS.map(([part]) => {
    const kinds = new Map();
    for (const file of sources) {
      if (!file.startsWith(part) || !file.startsWith(values.only) || NOT_TRIED.test(file)) continue;
      if (testsOf(users, file).length === 0) {
        unreached.push(file);
        continue;
      }
      for (const fault of faultsOf(readFileSync(join(ROOT, file), 'utf8'), file.endsWith('.tsx'))) {
        if (isMachine({ file, ...fault })) continue;
        kinds.set(fault.kind, [...(kinds.get(fault.kind) ?? []), { file, ...fault }]);
      }
    }
    return [...kinds.values()];
  });
  const parts = PARTS.flatMap(([, share], at) => Array(byPart[at].length > 0 ? share : 0).fill(byPart[at]));
  const chosen = new Map();
  for (let tries = 0; chosen.size < count && tries < count * 50; tries++) {
    const fault = pick(pick(parts[tries % parts.length] ?? []) ?? []);
    if (fault) chosen.set(`${fault.file}:${fault.line}`, fault);
  }
  return { chosen: [...chosen.values()], unreached };
}

/** A copy of the tree for one fault after another; packages are shared with this one. */
function makeCopy() {
  const copy = mkdtempSync(join(tmpdir(), 'warm-ladder-mutants-'));
  for (const file of tracked) {
    mkdirSync(dirname(join(copy, file)), { recursive: true });
    cpSync(join(ROOT, file), join(copy, file));
  }
  const packages = join(copy, 'node_modules');
  mkdirSync(join(packages, '@warm-ladder'), { recursive: true });
  for (const name of readdirSync(join(ROOT, 'node_modules')))
    if (name !== '@warm-ladder') symlinkSync(join(ROOT, 'node_modules', name), join(packages, name));
  for (const name of ['core', 'server', 'web', 'e2e'])
    symlinkSync(join(copy, name), join(packages, '@warm-ladder', name));
  symlinkSync(join(ROOT, 'web/node_modules'), join(copy, 'web/node_modules'));
  for (const built of ['server/dist', 'web/dist'])
    cpSync(join(ROOT, built), join(copy, built), { recursive: true, preserveTimestamps: true });
  return copy;
}

/** Runs tests in a copy up to the first failure. @returns what failed, or `null` with how many files passed in time */
function runTests(copy, tests, env, part, patience = PATIENCE[part]) {
  if (tests.length === 0) return { red: null, passed: 0 };
  const order = join(copy, 'order.json');
  writeFileSync(order, JSON.stringify(tests));
  const child = spawn(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--no-warnings',
      'node_modules/jest/bin/jest.js',
      '--ci',
      '--runInBand',
      `--reporters=${join(copy, 'scripts/lib/mutantReporter.mjs')}`,
      `--testSequencer=${join(copy, 'scripts/lib/mutantOrder.cjs')}`,
      '--runTestsByPath',
      ...tests,
    ],
    {
      cwd: copy,
      env: { ...process.env, ...env, MUTANT_ORDER: order, TESTS: part },
      stdio: ['ignore', 'pipe', 'pipe'],
      detached: true,
    },
  );
  let said = '';
  child.stderr.on('data', (chunk) => (said = (said + chunk).slice(-2000)));
  return new Promise((resolve) => {
    let red = null;
    let running = null;
    let passed = 0;
    const since = Date.now();
    const end = (result) => {
      red ??= result;
      clearInterval(clock);
      try {
        process.kill(-child.pid, 'SIGKILL');
      } catch {
        // It ended by itself.
      }
    };
    const clock = setInterval(() => {
      // Without a fault no file is without an end, and a long one may take minutes.
      if (patience !== UNHURRIED && running && secondsSince(running.since) > HANGS)
        end({ test: running.test, name: 'never ends', part });
      else if (secondsSince(since) > patience || Date.now() > ENDS + 60_000) end(null);
    }, 500);
    createInterface({ input: child.stdout }).on('line', (line) => {
      if (!line.includes('\u0001')) return;
      const told = JSON.parse(line.slice(line.indexOf('\u0001') + 1));
      if (told.begins) running = { test: told.begins, since: Date.now() };
      if (told.green) passed++;
      if (told.red) end({ test: told.red, name: told.name, part });
    });
    child.on('close', (code) => {
      clearInterval(clock);
      if (!red && code && passed < tests.length) red = { test: tests[0], name: `ended with ${code}: ${said}`, part };
      resolve({ red, passed });
    });
  });
}

const { chosen, unreached } = choose(WANTED, chanceFrom(Number(values.seed)));
const whole = (part) => sources.filter((file) => file.startsWith(part) && !NOT_TRIED.test(file)).length;
for (const [part] of PARTS) {
  const missed = unreached.filter((file) => file.startsWith(part)).length;
  if (!values.only) console.log(`${part}: ${missed} of ${whole(part)} files are imported by no unit test; not tried.`);
}
const nameOf = ({ file, line, what }) => `${file}:${line} ${what}`;
if (values.list) {
  for (const fault of chosen) console.log(nameOf(fault), `(${testsOf(users, fault.file).length} files of tests)`);
  process.exit(0);
}

const { env: checked } = await prepareChecks();
const env = { ...checked, ...buildForChecks() };
const began = Date.now();
const waiting = [...chosen];
const tried = [];
const copies = [];
async function lane() {
  const copy = makeCopy();
  copies.push(copy);
  while (waiting.length > 0 && Date.now() < ENDS) {
    const fault = waiting.shift();
    const tests = testsOf(users, fault.file);
    const source = readFileSync(join(ROOT, fault.file), 'utf8');
    writeFileSync(join(copy, fault.file), withFault(source, fault));
    const since = Date.now();
    const quick = await runTests(copy, tests, env, 'quick');
    const slow = testsOf(users, fault.file, 'long').slice(0, MOST_LONG);
    const { red, passed } = quick.red ? quick : await runTests(copy, slow, env, 'long');
    writeFileSync(join(copy, fault.file), source);
    tried.push({ ...fault, red });
    const how = red
      ? `caught by ${red.test}, ${red.name}`
      : `NOT CAUGHT by ${quick.passed} of ${tests.length} files, ${passed} of ${slow.length} long`;
    console.log(`${tried.length}/${chosen.length} ${nameOf(fault)}: ${how} (${secondsSince(since)} s)`);
  }
  return copy;
}
await Promise.all([lane(), lane()]);

// What turned red at a fault needs to be green without it, or it caught nothing.
const PARTS_OF_TESTS = ['quick', 'long'];
let redAnyway = null;
for (const part of PARTS_OF_TESTS) {
  const catching = [...new Set(tried.flatMap(({ red }) => (red?.part === part ? [red.test] : [])))];
  redAnyway ??= (await runTests(copies[0], catching, env, part, UNHURRIED)).red;
}
for (const copy of copies) rmSync(copy, { recursive: true, force: true });
if (redAnyway) {
  console.error(`${redAnyway.test} fails without any fault (${redAnyway.name}), so this run tells nothing.`);
  process.exit(1);
}
const caught = tried.filter(({ red }) => red).length;
for (const fault of tried) if (!fault.red) console.log(`not caught: ${nameOf(fault)}`);
console.log(`${caught} of ${tried.length} faults caught in ${secondsSince(began)} s; wanted ${CAUGHT * 100} of 100.`);
process.exit(tried.length > 0 && caught / tried.length >= CAUGHT ? 0 : 1);
