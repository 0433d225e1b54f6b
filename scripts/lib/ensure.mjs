import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

export const ROOT = join(import.meta.dirname, '../..');
const at = (...parts) => join(ROOT, ...parts);
const WEB_OUT = at('web/dist');

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

/** The newest change among the files that the web app is built from. */
function newest(folder) {
  let latest = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.name === 'node_modules' || entry.name === 'dist') continue;
    const path = join(folder, entry.name);
    latest = Math.max(latest, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs);
  }
  return latest;
}

/** Builds the web app when it is missing or older than its sources. */
export function ensureBuild() {
  const page = join(WEB_OUT, 'index.html');
  const sources = Math.max(newest(at('web')), newest(at('core')), statSync(at('package-lock.json')).mtimeMs);
  if (existsSync(page) && statSync(page).mtimeMs > sources) return;
  console.error('Building the web app…');
  run(process.execPath, [at('node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'warn'], { cwd: at('web') });
}

const CHROMIUM = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];

/** The browser the interface is tested in: named by CHROMIUM_PATH, found, or installed from Debian's packages. */
export function ensureChromium() {
  const find = () => [process.env.CHROMIUM_PATH, ...CHROMIUM].find((path) => path && existsSync(path));
  const found = find();
  if (found) return found;
  console.error('Installing Chromium…');
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    return spawnSync(command, rest, {
      stdio: ['ignore', 2, 2],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  };
  apt('update', '-q');
  apt('install', '-y', '-q', '--no-install-recommends', 'chromium');
  const installed = find();
  if (installed) return installed;
  console.error(
    'Chromium is missing and could not be installed. Install it, or name one: CHROMIUM_PATH=/path/to/chromium',
  );
  process.exit(1);
}

/** Runs a TypeScript file of this project in the foreground, with this terminal, and takes over its exit code. */
export function runTypeScript(file, args, options = {}) {
  const { status } = spawnSync(process.execPath, ['--import', 'tsx', at(file), ...args], {
    stdio: 'inherit',
    ...options,
  });
  process.exit(status ?? 1);
}
