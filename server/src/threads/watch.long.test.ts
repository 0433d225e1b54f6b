import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT } from '../root';
import { preparedFolder } from '../testing';

const { folder, remove } = preparedFolder();
afterAll(remove);

test('a server that stands still is ended, though no signal reaches it', async () => {
  const stuck = join(folder, 'stuck.mjs');
  writeFileSync(
    stuck,
    `import { isMainThread } from 'node:worker_threads';
     if (isMainThread) process.on('SIGUSR2', () => { for (;;); });`,
  );
  const server = spawn(
    process.execPath,
    [
      '--import',
      pathToFileURL(stuck).href,
      join(ROOT, 'server/dist/main.js'),
      '--data',
      folder,
      '--port',
      '0',
      '--no-web',
    ],
    { stdio: ['ignore', 'pipe', 'pipe'] },
  );
  let said = '';
  server.stderr.on('data', (chunk) => {
    said += chunk;
  });
  await once(server.stdout, 'data');
  server.kill('SIGUSR2');
  server.kill('SIGTERM');
  const [, signal] = await once(server, 'exit');
  expect(signal).toBe('SIGKILL');
  expect(said).toContain('has stood still for 15 seconds and was ended');
}, 60_000);
