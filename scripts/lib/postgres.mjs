// A PostgreSQL server for tests: Debian's own programs, on this machine's loopback, in a folder that is removed again.
import { spawnSync } from 'node:child_process';
import { chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const DEBIAN = '/usr/lib/postgresql';

/** The folder of its programs: named by POSTGRES_BIN, or the newest of Debian's packages; `null` where there is none. */
export function findPostgres() {
  const named = process.env.POSTGRES_BIN;
  if (named) return existsSync(join(named, 'initdb')) ? named : null;
  if (!existsSync(DEBIAN)) return null;
  const folders = readdirSync(DEBIAN).sort((a, b) => Number(b) - Number(a));
  return folders.map((version) => join(DEBIAN, version, 'bin')).find((bin) => existsSync(join(bin, 'initdb'))) ?? null;
}

const isRoot = () => process.getuid?.() === 0;
/** It refuses to run as root: then it runs as its own user, or as nobody. */
function user() {
  if (!isRoot()) return null;
  for (const name of ['postgres', 'nobody']) {
    const { status, stdout } = spawnSync('id', ['-u', name], { encoding: 'utf8' });
    if (status === 0) return { name, uid: Number(stdout) };
  }
  return null;
}

function freePort() {
  return new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

/**
 * Starts one in a new folder.
 * @param durable whether it forces what it writes to the disk, as a studio's would; tests of right and wrong need not wait
 * @returns its addresses by database, and how to stop it and start it again; `null` where it is not installed
 */
export async function startPostgres({ durable = false } = {}) {
  const bin = findPostgres();
  if (!bin) return null;
  const folder = mkdtempSync(join(tmpdir(), 'warm-ladder-postgres-'));
  const as = user();
  if (as) chownSync(folder, as.uid, as.uid);
  const run = (program, ...args) => {
    const command = [join(bin, program), ...args];
    const [first, ...rest] = as ? ['runuser', '-u', as.name, '--', ...command] : command;
    const { status, stdout, stderr, error } = spawnSync(first, rest, { cwd: folder, encoding: 'utf8' });
    if (status !== 0) throw new Error(`${program} failed: ${error?.message ?? stderr ?? stdout}`);
  };
  const port = await freePort();
  const data = join(folder, 'data');
  run('initdb', '-D', data, '-U', 'studio', '-A', 'trust', '-E', 'UTF8', '--no-locale', ...(durable ? [] : ['-N']));
  const settings = [`-p ${port}`, '-h 127.0.0.1', `-k ${folder}`, ...(durable ? [] : ['-F'])].join(' ');
  const start = () => run('pg_ctl', '-D', data, '-w', '-o', settings, '-l', join(folder, 'log'), 'start');
  const stop = (mode = 'fast') => run('pg_ctl', '-D', data, '-w', '-m', mode, 'stop');
  start();
  return {
    url: (database = 'postgres') => `postgres://studio@127.0.0.1:${port}/${database}`,
    start,
    stop,
    /** Stops it, if it runs, and removes its folder. */
    end: () => {
      try {
        stop('immediate');
      } catch {
        // It was stopped already.
      }
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
