import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { findPostgres } from './postgres.mjs';

export const ROOT = join(import.meta.dirname, '../..');
const at = (...parts) => join(ROOT, ...parts);

/** Runs a command to its end; a failure ends this process with the same code. What it says goes to standard error. */
function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: ROOT, stdio: ['ignore', 2, 2], ...options });
  if (error) {
    console.error(`${command} could not be started: ${error.message}`);
    process.exit(1);
  }
  if (status !== 0) process.exit(status ?? 1);
}

/** Installs the packages when they are missing or older than the lock file. */
export function ensurePackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Warm Ladder needs Node 20.19 or newer; this is ${process.versions.node}.`);
    process.exit(1);
  }
  const lock = readFileSync(at('package-lock.json'), 'utf8');
  const stamp = at('node_modules/.warm-ladder-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  console.error('Installing the packages…');
  // Not npm ci: it refuses a lock file without the packages of every other platform, which some registries do not carry.
  run('npm', ['install', '--no-save', '--no-fund', '--no-audit', '--loglevel=error']);
  mkdirSync(at('node_modules'), { recursive: true });
  writeFileSync(stamp, lock);
}

/** The newest change among the files that something is built from. */
function newest(folder) {
  let latest = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.name === 'node_modules' || entry.name === 'dist') continue;
    const path = join(folder, entry.name);
    latest = Math.max(latest, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs);
  }
  return latest;
}

/** Builds a workspace when what it makes is missing or older than its sources. @returns whether it was built now */
function build(workspace, product) {
  const made = at(workspace, 'dist', product);
  const sources = Math.max(newest(at(workspace)), newest(at('core')), statSync(at('package-lock.json')).mtimeMs);
  if (existsSync(made) && statSync(made).mtimeMs > sources) return false;
  console.error(`Building the ${workspace}…`);
  run(process.execPath, [at('node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'warn'], { cwd: at(workspace) });
  return true;
}

/** Builds the server and its commands when they are missing or older than their sources. */
export const ensureServer = () => void build('server', 'main.js');

/** Builds server and web app when they are missing or older than their sources; what is sent often is compressed once. */
export function ensureBuild() {
  ensureServer();
  if (build('web', 'index.html')) compressFiles(at('web/dist/assets'));
}

/** Beside each text file its compressed forms, as the server sends them. */
function compressFiles(folder) {
  for (const name of readdirSync(folder).filter((each) => /\.(js|css|svg)$/.test(each))) {
    const content = readFileSync(join(folder, name));
    writeFileSync(join(folder, `${name}.gz`), gzipSync(content, { level: 9 }));
    writeFileSync(join(folder, `${name}.br`), brotliCompressSync(content));
  }
}

/**
 * An empty studio's data folder, made once for this version of the database and copied by every test: making one takes
 * seconds, a copy does not.
 */
export function ensurePreparedFolder() {
  const lock = JSON.parse(readFileSync(at('package-lock.json'), 'utf8'));
  const engine = lock.packages['node_modules/@electric-sql/pglite'].version;
  const made = createHash('sha256').update(engine);
  for (const name of readdirSync(at('server/migrations')).sort())
    made.update(readFileSync(at('server/migrations', name)));
  const folder = at('node_modules/.cache', `studio-${made.digest('hex').slice(0, 12)}`);
  if (!existsSync(folder)) {
    const draft = `${folder}.${process.pid}`;
    mkdirSync(draft, { recursive: true });
    run(process.execPath, [at('server/dist/prepare.js'), draft]);
    renameSync(draft, folder);
  }
  return folder;
}

/** Debian's Chromium without a window: the same engine, without what a desktop's browser does beside it. */
const HEADLESS = '/usr/bin/chromium-headless-shell';
const CHROMIUM = [HEADLESS, '/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];

/** The browser the interface is tested in: named by CHROMIUM_PATH, installed from Debian's packages, or found. */
export function ensureChromium() {
  const named = process.env.CHROMIUM_PATH;
  if (named && existsSync(named)) return named;
  if (!existsSync(HEADLESS)) installPackage(HEADLESS.slice('/usr/bin/'.length), 'Chromium');
  const found = CHROMIUM.find((path) => existsSync(path));
  if (found) return found;
  console.error(
    'Chromium is missing and could not be installed. Install it, or name one: CHROMIUM_PATH=/path/to/chromium',
  );
  process.exit(1);
}

/** An office program without a screen, or `null` where there is none and none can be installed. */
export function ensureOffice() {
  const program = '/usr/bin/soffice';
  if (!existsSync(program)) installPackage('libreoffice-writer-nogui', 'an office program');
  return existsSync(program) ? program : null;
}

/** Tries to install one of Debian's packages, where there are any. */
function installPackage(name, words) {
  if (!existsSync('/usr/bin/apt-get')) return;
  console.error(`Installing ${words}…`);
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    return spawnSync(command, rest, {
      stdio: ['ignore', 2, 2],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  };
  apt('update', '-q');
  apt('install', '-y', '-q', '--no-install-recommends', name);
}

/**
 * Debian's PostgreSQL server, for what is tested on a real one: installed where nobody's machine is changed by it
 * unasked, in CI and as root; elsewhere it is used where it is there.
 */
export function ensurePostgres() {
  if (findPostgres() || !(process.env.CI || process.getuid?.() === 0)) return;
  installPackage('postgresql', 'PostgreSQL');
}

/** Runs a program of this project in the foreground, with this terminal, and takes over its exit code. */
function runNode(args, options = {}) {
  const { status } = spawnSync(process.execPath, args, { stdio: 'inherit', ...options });
  process.exit(status ?? 1);
}

/** Runs a TypeScript file as it stands. */
export const runTypeScript = (file, args, options) => runNode(['--import', 'tsx', at(file), ...args], options);

/** Runs one of the server's commands, compiled; installs and builds what is missing first. */
export function runCommand(name, args) {
  ensurePackages();
  ensureServer();
  runNode([at('server/dist', `${name}.js`), ...args]);
}
