import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Row } from './report';

/** Runs a command of the system. @throws Error with what it said @param fine exit codes that are no failure */
export function run(words: readonly string[], fine: readonly number[] = [0]): void {
  const { status, stderr, error } = spawnSync(words[0] ?? '', words.slice(1), { encoding: 'utf8' });
  if (error || !fine.includes(status ?? -1)) throw new Error(`${words.join(' ')}: ${error?.message ?? stderr}`);
}

function works(...words: string[]): boolean {
  return spawnSync(words[0] ?? '', words.slice(1)).status === 0;
}

/** What a script needs of the machine, tried out before it runs. */
const NEEDS = {
  'a disk in memory': (folder: string) => works('mount', '-t', 'tmpfs', 'tmpfs', folder) && works('umount', folder),
  'a disk in a file': (folder: string) => {
    const image = join(folder, 'image');
    const disk = mkdtempSync(join(folder, 'disk-'));
    return (
      works('truncate', '-s', '8M', image) &&
      works('mkfs.ext4', '-q', image) &&
      works('mount', '-o', 'loop', image, disk) &&
      works('umount', disk)
    );
  },
  'a process namespace': () => works('unshare', '--pid', '--fork', '--mount-proc', '--kill-child', 'true'),
} as const;

/** Runs a script where the machine allows it; else its row says that it was not run, and why. */
export async function whereAllowed(need: keyof typeof NEEDS, what: string, script: () => Promise<Row>): Promise<Row> {
  const folder = mkdtempSync(join(tmpdir(), 'warm-ladder-'));
  try {
    if (NEEDS[need](folder)) return await script();
    return { what, measured: `not run: no right to ${need} here`, holds: true };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
