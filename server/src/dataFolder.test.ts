import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { classOf } from '@warm-ladder/core/testing';
import { lockFolder } from './lock';
import { startServer, temporaryFolder } from './testing';

const MAIN = join(__dirname, 'main.ts');

/** The real server as its own process, once it says it is ready, or its exit and what it said. */
async function launch(folder: string) {
  const web = join(folder, 'web');
  mkdirSync(web, { recursive: true });
  writeFileSync(join(web, 'index.html'), '<!doctype html><title>Warm Ladder</title>');
  const child = spawn(
    process.execPath,
    ['--import', 'tsx', MAIN, '--data', join(folder, 'data'), '--web', web, '--port', '0'],
    {
      stdio: ['ignore', 'pipe', 'pipe'],
    },
  );
  let said = '';
  const address = await new Promise<string | null>((resolve) => {
    const read = (chunk: Buffer) => {
      said += chunk;
      const found = /ready at (\S+)/.exec(said);
      if (found?.[1]) resolve(found[1]);
    };
    child.stdout.on('data', read);
    child.stderr.on('data', read);
    child.on('exit', () => resolve(null));
  });
  return { child, address, said: () => said };
}

const put = (address: string, id: string) =>
  fetch(`${address}/api/classes/${id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ version: 0, value: classOf([], { id }) }),
  });

test('killed while saving, every acknowledged save is there at the next start; the dead lock is taken over', async () => {
  const { folder, remove } = temporaryFolder();
  const { child, address } = await launch(folder);
  if (!address) throw new Error('the server did not start');
  const acknowledged: string[] = [];
  const saving = (async () => {
    for (let i = 0; i < 500; i++) {
      const response = await put(address, `class-${i}`);
      if (response.ok) acknowledged.push(`class-${i}`);
    }
  })().catch(() => undefined);
  while (acknowledged.length < 20) await new Promise((resolve) => setTimeout(resolve, 5));
  child.kill('SIGKILL');
  await Promise.all([once(child, 'exit'), saving]);

  const again = await startServer(join(folder, 'data'));
  const kept = (await again.send('GET', '/studio')).body.bundle.classes?.map(({ id }) => id) ?? [];
  await again.close();
  remove();
  expect(acknowledged.length).toBeGreaterThanOrEqual(20);
  expect(kept).toEqual(expect.arrayContaining(acknowledged));
}, 90_000);

test('a second server on the same folder stops with a sentence and leaves the first alone', async () => {
  const { folder, remove } = temporaryFolder();
  const first = await launch(folder);
  const second = await launch(folder);
  expect(second.address).toBeNull();
  expect(second.said()).toMatch(/is in use by another Warm Ladder server \(process \d+\)\. Stop that one first/);
  expect((await put(first.address ?? '', 'still-here')).ok).toBe(true);
  first.child.kill('SIGTERM');
  await once(first.child, 'exit');
  remove();
}, 90_000);

test('a lock left by a process that is gone, or that lies in pieces, is taken over; a living one is not', () => {
  const { folder, remove } = temporaryFolder();
  const file = join(folder, 'server.lock');
  for (const left of [
    '{"pid": 999999999, "began": "1", "token": "x"}',
    '{"pid',
    `{"pid": ${process.pid}, "began": "1", "token": "reused number"}`,
  ]) {
    writeFileSync(file, left);
    const unlock = lockFolder(folder);
    expect(() => lockFolder(folder)).toThrow(/in use by another/);
    unlock();
  }
  remove();
});
