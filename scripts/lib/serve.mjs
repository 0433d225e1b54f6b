import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, ROOT } from './ensure.mjs';

/** Words for Node: less room for what is held only for a moment, and the server at rest is a sixth smaller. */
const SMALL = ['--max-semi-space-size=4'];

/** Installs and builds what is missing, then runs the server until it is stopped. */
export function serve(args) {
  ensurePackages();
  ensureBuild();
  const server = spawn(process.execPath, [...SMALL, join(ROOT, 'server/dist/main.js'), ...args], {
    stdio: 'inherit',
    cwd: ROOT,
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
}
