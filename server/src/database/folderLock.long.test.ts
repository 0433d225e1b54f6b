import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { hostname } from 'node:os';
import { join } from 'node:path';
import { temporaryFolder } from '../testing';
import { addressOf, lockFolder } from './folderLock';

let folder: string;
let remove: () => void;
beforeEach(() => {
  ({ folder, remove } = temporaryFolder());
});
afterEach(() => remove());

const locks = () => readdirSync(folder).filter((name) => /^lock\.\d+$/.test(name));
const write = (turn: number, content: string) => writeFileSync(join(folder, `lock.${turn}`), content);
const boot = readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim();
const left = (change: object) =>
  JSON.stringify({ token: 'gone0000', pid: process.pid, host: hostname(), boot, socket: true, ...change });

test('a held folder is refused with who holds it; given back, it can be taken', async () => {
  const lock = await lockFolder(folder);
  lock.announce('http://127.0.0.1:4400');
  await expect(lockFolder(folder)).rejects.toThrow(/in use by another .* \(process \d+ on .*answering at http/);
  expect(await addressOf(folder)).toBe('http://127.0.0.1:4400');
  await lock.release();
  expect(await addressOf(folder)).toBeNull();
  const again = await lockFolder(folder);
  expect(locks()).toEqual(['lock.2']);
  await again.release();
});

test.each<[string, () => void]>([
  ['a lock whose process number is alive and another’s', () => write(1, left({}))],
  ['a lock of before the machine started', () => write(1, left({ boot: 'other', socket: true }))],
  ['half a lock', () => write(1, '{"token')],
  ['an empty lock', () => write(1, '')],
  ['a lock that is no lock', () => write(1, '12')],
  ['a folder in its place', () => mkdirSync(join(folder, 'lock.1'))],
  ['several, the newest dead', () => [1, 2, 3].map((turn) => write(turn, left({})))],
])('%s holds nothing', async (_name, leave) => {
  leave();
  const lock = await lockFolder(folder);
  await expect(lockFolder(folder)).rejects.toThrow(/in use by another/);
  await lock.release();
});

test('a holder killed without a word holds nothing; one stopped in the middle of its work still holds', async () => {
  const held = `import('./server/src/database/folderLock.ts').then(async ({ lockFolder }) => {
    await lockFolder(${JSON.stringify(folder)}); console.log('held'); setInterval(() => {}, 1000); });`;
  const child = spawn(process.execPath, ['--import', 'tsx', '-e', held], { cwd: join(__dirname, '../../..') });
  await once(child.stdout, 'data');
  child.kill('SIGSTOP');
  await expect(lockFolder(folder)).rejects.toThrow(/in use by another/);
  child.kill('SIGKILL');
  await once(child, 'exit');
  await (await lockFolder(folder)).release();
}, 30_000);

test('of many that start at once on a dead lock, one holds', async () => {
  write(4, left({}));
  const tries = await Promise.allSettled(Array.from({ length: 8 }, () => lockFolder(folder)));
  const held = tries.flatMap((each) => (each.status === 'fulfilled' ? [each.value] : []));
  expect(held).toHaveLength(1);
  await held[0]?.release();
});

test('a holder on another machine is watched: beating it holds, silent it does not', async () => {
  const far = { host: 'another-machine', boot: 'another', socket: true };
  write(1, left({ ...far, token: 'beating0' }));
  const beat = setInterval(() => writeFileSync(join(folder, 'lock-beating0.beat'), String(Math.random())), 300);
  await expect(lockFolder(folder)).rejects.toThrow(/another-machine/);
  clearInterval(beat);
  await (await lockFolder(folder)).release();
}, 30_000);

test('a folder whose path is longer than a socket’s may be is locked all the same', async () => {
  const deep = join(folder, 'a'.repeat(60), 'b'.repeat(60));
  mkdirSync(deep, { recursive: true });
  const lock = await lockFolder(deep);
  await expect(lockFolder(deep)).rejects.toThrow(/in use by another/);
  await lock.release();
});
