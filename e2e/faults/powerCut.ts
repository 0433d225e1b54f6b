import { once } from 'node:events';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { launch, newFolder } from '../studio';
import type { Row } from './report';
import { countLost, writeUntilGone } from './writers';

const DISK = join(import.meta.dirname, 'unsyncedDisk.mjs');

/**
 * The power goes at a given call to the disk, while classes are saved; what had reached the disk is opened again.
 * @param after calls until then  @param seed 0: nothing that was not synced is there; else some of it, by chance
 */
async function cutPower(
  after: number,
  seed: number,
): Promise<{ opens: boolean; acknowledged: number; lost: number; said: string }> {
  const folder = newFolder();
  const [data, disk] = [join(folder, 'data'), join(folder, 'disk')];
  const env = { DISK_ROOT: data, DISK_OUT: disk, DISK_AFTER: String(after), DISK_SEED: String(seed) };
  const running = await launch(data, { bare: true, node: ['--import', DISK], env });
  const told = running.address === null ? null : await writeUntilGone(running.address, 4);
  if (running.child.exitCode === null && running.child.signalCode === null) await once(running.child, 'exit');
  const again = await launch(disk, { bare: true });
  const lost = again.address !== null && told ? await countLost(again.address, told) : (told?.versions.size ?? 0);
  if (again.address !== null) {
    again.child.kill('SIGKILL');
    await once(again.child, 'exit');
  }
  rmSync(folder, { recursive: true, force: true });
  return { opens: again.address !== null, acknowledged: told?.count ?? 0, lost, said: again.said() };
}

/** Power cuts while saving: at many moments, with all of what was not synced lost, and with some of it. */
export async function powerCuts(moments: readonly number[]): Promise<Row> {
  let [opened, acknowledged, lost] = [0, 0, 0];
  const faults: string[] = [];
  for (const [i, after] of moments.entries()) {
    const cut = await cutPower(after, i % 2 === 0 ? 0 : i);
    if (cut.opens) opened += 1;
    else faults.push(`after ${after} calls: ${cut.said}`);
    acknowledged += cut.acknowledged;
    lost += cut.lost;
  }
  return {
    what: 'power cut while saving (what was not synced is lost, all or by chance)',
    measured: `${moments.length} cuts, ${opened} opened, ${acknowledged} saves acknowledged, ${lost} lost`,
    holds: opened === moments.length && lost === 0 && acknowledged > 0,
    faults,
  };
}
