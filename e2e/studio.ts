import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export const ROOT = join(import.meta.dirname, '..');
/** The demo studio: the repertoire of the house, and who teaches what to whom in it. */
export const DEMO = ['house', 'demo'].flatMap((folder) =>
  readdirSync(join(ROOT, folder))
    .filter((name) => name.endsWith('.json'))
    .sort()
    .map((name) => join(ROOT, folder, name)),
);
const SERVER = join(ROOT, 'server/dist/main.js');

/** Debian's Chromium, quiet: it is not asked to look anything up. */
export const BROWSER = {
  executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium-headless-shell',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

export interface Launch {
  readonly port?: string;
  readonly bundles?: readonly string[];
  /** Words before the program: another command that runs it. */
  readonly under?: readonly string[];
  /** Words for Node itself. */
  readonly node?: readonly string[];
  /** Without the web app, which then need not be built. */
  readonly bare?: boolean;
  readonly env?: Readonly<Record<string, string>>;
}

/** A server process: where it answers once it says so, or `null` when it ended first; and all it said. */
export interface LaunchedServer {
  readonly child: ChildProcess;
  readonly address: string | null;
  readonly said: () => string;
}

/** Runs the compiled server on a data folder until it is ready or has ended. */
export async function launch(data: string, options: Launch = {}): Promise<LaunchedServer> {
  const { port = '0', bundles = [], under = [], node = [], bare = false, env = {} } = options;
  const args = ['--data', data, '--port', port, ...(bare ? ['--no-web'] : []), ...bundles];
  const words = [...under, process.execPath, ...node, SERVER, ...args];
  const [command = '', ...rest] = words;
  const child = spawn(command, rest, {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, ...env },
  });
  let said = '';
  const address = await new Promise<string | null>((resolve) => {
    const read = (chunk: Buffer) => {
      said += chunk;
      const found = /ready at (\S+)/.exec(said)?.[1];
      if (found) resolve(found);
    };
    child.stdout?.on('data', read);
    child.stderr?.on('data', read);
    child.on('exit', () => resolve(null));
  });
  return { child, address, said: () => said };
}

export interface RunningStudio {
  readonly address: string;
  readonly folder: string;
  /** Stops it in good order. */
  readonly stop: () => Promise<void>;
  /** Ends its process at once. What it has written stays in the system's memory: for a power cut see faults/. */
  readonly kill: () => Promise<void>;
  /** Starts it again on the same folder and the same address. */
  readonly again: () => Promise<void>;
  /** Ends it and removes its folder. */
  readonly end: () => Promise<void>;
}

/** A new data folder, empty as a new studio's: a copy of the prepared one where there is one. */
export function newFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), 'warm-ladder-'));
  const prepared = process.env.PREPARED_FOLDER;
  if (prepared && existsSync(prepared)) cpSync(prepared, join(folder, 'data'), { recursive: true });
  return folder;
}

/** Starts the real server over the real build, on a data folder of its own, filled from bundles. */
export async function startStudio(
  bundles: readonly string[] = DEMO,
  options: Pick<Launch, 'env'> = {},
): Promise<RunningStudio> {
  const folder = newFolder();
  let { child, address } = await ready(folder, { bundles, ...options });
  const end = async (signal: 'SIGKILL' | 'SIGTERM') => {
    if (child.exitCode !== null || child.signalCode !== null) return;
    child.kill(signal);
    await once(child, 'exit');
  };
  return {
    address,
    folder,
    stop: () => end('SIGTERM'),
    kill: () => end('SIGKILL'),
    again: async () => {
      ({ child, address } = await ready(folder, { port: new URL(address).port, ...options }));
    },
    end: async () => {
      await end('SIGKILL');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

async function ready(folder: string, options: Launch): Promise<{ child: ChildProcess; address: string }> {
  const { child, address, said } = await launch(join(folder, 'data'), options);
  if (address === null) throw new Error(`the server ended with ${child.exitCode}: ${said()}`);
  return { child, address };
}
