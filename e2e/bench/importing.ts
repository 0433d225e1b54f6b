import { once } from 'node:events';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Bundle } from '@warm-ladder/core/formats';
import { bigBundle, save } from '../faults/writers';
import { DEMO, launch, newFolder } from '../studio';
import { largeStudio } from './largeStudio';
import { quantile, report } from './report';

/** A server by itself on a folder of its own, on the embedded database. */
async function begun(bundles: readonly string[] = [], node: readonly string[] = []) {
  const folder = newFolder();
  const { child, address, said } = await launch(join(folder, 'data'), { bare: true, bundles, node });
  if (address === null) throw new Error(said());
  return {
    address,
    pid: child.pid ?? 0,
    end: async () => {
      child.kill('SIGKILL');
      await once(child, 'exit');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Milliseconds an import takes, and each save of somebody else's class beside it. */
async function imported(bundle: Bundle, beside: boolean): Promise<{ took: number; saves: number[] }> {
  const server = await begun();
  const body = JSON.stringify(bundle);
  const began = performance.now();
  let done = false;
  const importing = fetch(`${server.address}/api/bundle?mode=merge`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body,
  }).finally(() => {
    done = true;
  });
  const saves: number[] = [];
  let version = 0;
  while (beside && !done) {
    const from = performance.now();
    const next = await save(server.address, 'beside', version, `Save ${saves.length}`);
    if (typeof next !== 'number') throw new Error(`a save beside an import was not kept: ${next?.status}`);
    version = next;
    saves.push(performance.now() - from);
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  const answer = await importing;
  const took = performance.now() - began;
  if (!answer.ok) throw new Error(await answer.text());
  await server.end();
  return { took, saves };
}

/** Megabytes a process holds in memory. */
const heldBy = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? Number.NaN) / 1024;

report('import of 1,000 classes, embedded', (await imported(bigBundle(1_000), false)).took, 'ms', 5_000);
report(
  'import of 20,000 rungs and 10,000 classes, embedded',
  (await imported(largeStudio(20_000, 10_000), false)).took,
  'ms',
  60_000,
);
const { saves } = await imported(bigBundle(10_000), true);
report('a save beside an import of 10,000 classes, p99', quantile(saves, 0.99), 'ms', 250);

// As npm start begins it.
const server = await begun(DEMO, ['--max-semi-space-size=4']);
// At rest: long after what it was begun with, and after threads with nothing to do have ended.
await fetch(`${server.address}/api/studio`);
await new Promise((resolve) => setTimeout(resolve, 45_000));
report('server at rest with the demo', heldBy(server.pid), 'MB', 250);
await server.end();
