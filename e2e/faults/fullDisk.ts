import { once } from 'node:events';
import { cpSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { launch, newFolder } from '../studio';
import type { Row } from './report';
import { run, whereAllowed } from './rights';
import { countLost, save } from './writers';

const DISK = join(import.meta.dirname, 'fillingDisk.mjs');

/** A disk that can be filled and emptied while the server runs on it. */
interface Disk {
  readonly data: string;
  readonly fill: () => void;
  readonly free: () => void;
  readonly node: readonly string[];
  readonly env: Readonly<Record<string, string>>;
}

/** Saves before, while and after the disk is full: each is answered truly, and nothing acknowledged is lost. */
async function fullAndFree(what: string, { data, fill, free, node, env }: Disk): Promise<Row> {
  const server = await launch(data, { bare: true, node, env });
  const { address } = server;
  if (address === null) return { what, measured: server.said(), holds: false };
  const told = { versions: new Map<string, number>(), count: 0 };
  const refusals = new Set<string>();
  const saveSome = async (tag: string) => {
    for (let n = 0; n < 40; n++) {
      const id = `${tag}-${n % 4}`;
      const version = await save(address, id, told.versions.get(id) ?? 0, `${tag} ${n}`);
      if (typeof version === 'number') {
        told.versions.set(id, version);
        told.count += 1;
      } else refusals.add(version ? `${version.status}` : 'no answer');
    }
  };
  await saveSome('before');
  fill();
  await saveSome('full');
  free();
  // It is tried again every two seconds.
  await new Promise((resolve) => setTimeout(resolve, 2_500));
  await saveSome('after');
  const after = told.versions.has('after-0');
  const lostRunning = await countLost(address, told).catch(() => told.versions.size);
  server.child.kill('SIGKILL');
  await once(server.child, 'exit');
  const again = await launch(data, { bare: true });
  const lost = again.address === null ? told.versions.size : await countLost(again.address, told);
  again.child.kill('SIGKILL');
  await once(again.child, 'exit');
  return {
    what,
    measured: `${told.count} saves acknowledged, refused meanwhile with ${[...refusals].join(' and ') || 'nothing'}, ${after ? 'saving again after' : 'not saving after'}, ${lost} lost`,
    holds: lost === 0 && lostRunning === 0 && after && ![...refusals].some((each) => each !== '507'),
  };
}

/** With calls that fail as on a full disk: needs no rights. */
export async function fullDiskCalls(): Promise<Row> {
  const folder = newFolder();
  const full = join(folder, 'full');
  const data = join(folder, 'data');
  const row = await fullAndFree('disk full while saving (calls that fail)', {
    data,
    fill: () => writeFileSync(full, ''),
    free: () => rmSync(full),
    node: ['--import', DISK],
    env: { DISK_ROOT: data, DISK_FULL: full },
  });
  rmSync(folder, { recursive: true, force: true });
  return row;
}

const MOUNTED = 'disk full while saving (a real small disk)';

/** With a real small disk in memory: needs the right to mount. */
export const fullDiskMounted = (): Promise<Row> => whereAllowed('a disk in memory', MOUNTED, onMountedDisk);

async function onMountedDisk(): Promise<Row> {
  const folder = newFolder();
  const disk = join(folder, 'disk');
  mkdirSync(disk);
  run(['mount', '-t', 'tmpfs', '-o', 'size=160m', 'tmpfs', disk]);
  try {
    cpSync(join(folder, 'data'), join(disk, 'data'), { recursive: true });
    return await fullAndFree(MOUNTED, {
      data: join(disk, 'data'),
      // Ends when nothing more fits.
      fill: () => run(['dd', 'if=/dev/zero', `of=${join(disk, 'filler')}`, 'bs=64k', 'status=none'], [1]),
      free: () => rmSync(join(disk, 'filler')),
      node: [],
      env: {},
    });
  } finally {
    run(['umount', disk]);
    rmSync(folder, { recursive: true, force: true });
  }
}
