import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export const ROOT = join(import.meta.dirname, '..');
export const DEMO = readdirSync(join(ROOT, 'demo'))
  .filter((name) => name.endsWith('.json'))
  .sort()
  .map((name) => join(ROOT, 'demo', name));

/** Debian's Chromium, quiet: it is not asked to look anything up. */
export const BROWSER = {
  executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
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

/** Where a studio made once, empty or the demo's, is copied from: making a database takes seconds, a copy does not. */
const templateOf = (bundles: readonly string[]) => (bundles.length === 0 ? 'EMPTY_STUDIO' : 'DEMO_STUDIO');

/** Makes both templates; every `startStudio` after it, in this process or its children, copies one of them. */
export async function makeTemplates(): Promise<() => Promise<void>> {
  const made: RunningStudio[] = [];
  for (const bundles of [[], DEMO]) {
    const studio = await startStudio(bundles);
    await studio.stop();
    process.env[templateOf(bundles)] = studio.folder;
    made.push(studio);
  }
  return async () => {
    for (const studio of made) await studio.end();
  };
}

export interface RunningStudio {
  /** Stops it in good order. */
  readonly stop: () => Promise<void>;
  readonly address: string;
  readonly folder: string;
  /** Stops it at once, as a power cut would. */
  readonly kill: () => Promise<void>;
  /** Starts it again on the same folder and the same address. */
  readonly again: () => Promise<void>;
  /** Stops it and removes its folder. */
  readonly end: () => Promise<void>;
}

/** Starts the real server over the real build, on a data folder of its own, filled from bundles. */
export async function startStudio(bundles: readonly string[] = DEMO): Promise<RunningStudio> {
  const folder = mkdtempSync(join(tmpdir(), 'warm-ladder-'));
  const template = process.env[templateOf(bundles)];
  if (template) cpSync(join(template, 'data'), join(folder, 'data'), { recursive: true });
  let { child, address } = await launch(folder, '0', bundles);
  const kill = async () => {
    if (child.exitCode !== null || child.signalCode !== null) return;
    child.kill('SIGKILL');
    await once(child, 'exit');
  };
  const stop = async () => {
    child.kill('SIGTERM');
    await once(child, 'exit');
  };
  return {
    address,
    folder,
    stop,
    kill,
    again: async () => {
      ({ child, address } = await launch(folder, new URL(address).port, []));
    },
    end: async () => {
      await kill();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

async function launch(folder: string, port: string, bundles: readonly string[]) {
  const args = ['--import', 'tsx', join(ROOT, 'server/src/main.ts'), '--data', join(folder, 'data'), '--port', port];
  const child: ChildProcess = spawn(process.execPath, [...args, ...bundles], {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const address = await new Promise<string>((resolve, reject) => {
    let said = '';
    child.stdout?.on('data', (chunk: Buffer) => {
      said += chunk;
      const found = /ready at (\S+)/.exec(said)?.[1];
      if (found) resolve(found);
    });
    child.on('exit', (code) => reject(new Error(`the server ended with ${code}: ${said}`)));
  });
  return { child, address };
}
