import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from '../studio';
import { report } from './report';

/** Seconds from the command to the printed address; the packages and the build are there already. */
async function demoReady(folder: string): Promise<number> {
  const start = performance.now();
  const child = spawn(process.execPath, ['scripts/demo.mjs', '--data', folder, '--port', '0'], {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  for await (const chunk of child.stdout) if (String(chunk).includes('ready at')) break;
  const seconds = (performance.now() - start) / 1000;
  child.kill('SIGTERM');
  await once(child, 'exit');
  return seconds;
}

const folder = mkdtempSync(join(tmpdir(), 'warm-ladder-'));
report('demo ready on its first run', await demoReady(folder), 's', 15);
report('demo ready after', await demoReady(folder), 's', 4);
rmSync(folder, { recursive: true, force: true });
