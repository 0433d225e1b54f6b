// npm run dev: server and web app, each begun again when a file of it changes; the page reloads by itself.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { DEMO_FILES } from './lib/demoFiles.mjs';
import { ensurePackages, ensureServer, ROOT } from './lib/ensure.mjs';

ensurePackages();
// Its threads run from what is compiled.
ensureServer();
const begin = (args, cwd) => spawn(process.execPath, args, { stdio: 'inherit', cwd: join(ROOT, cwd) });
const running = [
  begin(
    [
      join(ROOT, 'node_modules/tsx/dist/cli.mjs'),
      'watch',
      '--clear-screen=false',
      'server/src/main.ts',
      '--data',
      'data/dev',
      '--no-web',
      ...DEMO_FILES,
    ],
    '.',
  ),
  begin([join(ROOT, 'node_modules/vite/bin/vite.js'), '--clearScreen', 'false'], 'web'),
];
const end = () => {
  for (const child of running) child.kill('SIGTERM');
};
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, end);
for (const child of running) child.on('exit', end);
