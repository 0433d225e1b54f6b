import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, ROOT } from './ensure.mjs';

/** Installs and builds what is missing, then runs the server until it is stopped. */
export function serve(args) {
  ensurePackages();
  ensureBuild();
  const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.js'), ...args], { stdio: 'inherit', cwd: ROOT });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
}
