import { once } from 'node:events';
import { cpSync, mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { launch, newFolder } from '../studio';
import type { Row } from './report';
import { run, whereAllowed } from './rights';
import { countLost, writeUntilGone } from './writers';

const WHAT = 'power cut while saving (an ext4 image copied unsynced)';

/** One cut on a real file system: the image is copied, unsynced, while the server writes; the copy is checked and opened. */
async function cut(seconds: number): Promise<{ opens: boolean; acknowledged: number; lost: number; said: string }> {
  const folder = newFolder();
  const [image, copy] = [join(folder, 'disk.img'), join(folder, 'cut.img')];
  const [disk, after] = [join(folder, 'disk'), join(folder, 'after')];
  for (const each of [disk, after]) mkdirSync(each);
  run(['truncate', '-s', '400M', image]);
  run(['mkfs.ext4', '-q', image]);
  run(['mount', '-o', 'loop', image, disk]);
  let mounted = [disk];
  try {
    cpSync(join(folder, 'data'), join(disk, 'data'), { recursive: true });
    run(['sync', '-f', disk]);
    const server = await launch(join(disk, 'data'), { bare: true });
    if (server.address === null) throw new Error(server.said());
    let told = { versions: new Map<string, number>(), count: 0 };
    const writing = writeUntilGone(server.address, 4);
    await new Promise((resolve) => setTimeout(resolve, seconds * 1_000));
    // What the writers know when the copy begins is what must be in it.
    server.child.kill('SIGSTOP');
    // Straight from the image: what lies only in the memory of the mounted file system is not in it.
    run(['dd', `if=${image}`, `of=${copy}`, 'bs=4M', 'iflag=direct', 'conv=sparse', 'status=none']);
    server.child.kill('SIGKILL');
    await once(server.child, 'exit');
    told = await writing;
    run(['umount', disk]);
    mounted = [];
    // 1: it has put right what the cut left.
    run(['fsck.ext4', '-f', '-y', copy], [0, 1]);
    run(['mount', '-o', 'loop', copy, after]);
    mounted = [after];
    const again = await launch(join(after, 'data'), { bare: true });
    const opens = again.address !== null;
    const lost = again.address === null ? told.versions.size : await countLost(again.address, told);
    again.child.kill('SIGKILL');
    if (again.child.exitCode === null && again.child.signalCode === null) await once(again.child, 'exit');
    return { opens, acknowledged: told.count, lost, said: again.said() };
  } finally {
    for (const each of mounted) run(['umount', each]);
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Power cuts on a real ext4 file system in an image; needs the right to mount. */
export const powerCutsOnImage = (seconds: readonly number[]): Promise<Row> =>
  whereAllowed('a disk in a file', WHAT, () => cuts(seconds));

async function cuts(seconds: readonly number[]): Promise<Row> {
  const made: Awaited<ReturnType<typeof cut>>[] = [];
  for (const each of seconds) made.push(await cut(each));
  const sum = (of: (one: (typeof made)[number]) => number) => made.reduce((total, one) => total + of(one), 0);
  const [opened, acknowledged, lost] = [
    sum(({ opens }) => (opens ? 1 : 0)),
    sum((one) => one.acknowledged),
    sum((one) => one.lost),
  ];
  return {
    what: WHAT,
    measured: `${made.length} cuts, ${opened} opened, ${acknowledged} saves acknowledged, ${lost} lost`,
    holds: opened === made.length && lost === 0 && acknowledged > 0,
    faults: made.filter(({ opens }) => !opens).map(({ said }) => said),
  };
}
