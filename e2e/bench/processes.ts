import type { ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { classOf } from '@warm-ladder/core/testing';
import { newDatabase } from '../database';
import { launch, newFolder } from '../studio';
import { quantile, report } from './report';

/** People who edit at once, for how long, and how many classes they have, two people each. */
const [CLIENTS, SECONDS, CLASSES] = [50, 20, 25];
/** Milliseconds a person rests between two edits. */
const REST = 40;

interface Counted {
  readonly saves: number;
  readonly clashes: number;
  readonly waits: readonly number[];
  /** The newest version of each class that was acknowledged. */
  readonly newest: ReadonlyMap<string, number>;
}

/** Fifty people at some addresses of one studio. @throws where an answer is neither kept nor stale with the newer version */
async function edited(addresses: readonly string[]): Promise<Counted> {
  const [waits, newest] = [[] as number[], new Map<string, number>()];
  let [saves, clashes] = [0, 0];
  const until = performance.now() + SECONDS * 1000;
  const person = async (n: number) => {
    const address = addresses[n % addresses.length];
    const id = `class-${n % CLASSES}`;
    let known = 0;
    for (let turn = 0; performance.now() < until; turn++) {
      const value = classOf([], { id, name: `Of ${n}, ${turn}` });
      const began = performance.now();
      const answer = await fetch(`${address}/api/classes/${id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ version: known, value }),
      });
      waits.push(performance.now() - began);
      const body = (await answer.json()) as { version?: number; current?: { version: number } };
      const version = answer.status === 200 ? body.version : answer.status === 409 ? body.current?.version : undefined;
      if (version === undefined) throw new Error(`an answer was ${answer.status}: ${JSON.stringify(body)}`);
      known = version;
      if (answer.status === 200) {
        saves += 1;
        newest.set(id, Math.max(newest.get(id) ?? 0, version));
      } else clashes += 1;
      await new Promise((resolve) => setTimeout(resolve, REST));
    }
  };
  await Promise.all(Array.from({ length: CLIENTS }, (_, n) => person(n)));
  return { saves, clashes, waits, newest };
}

/** Measures some server processes over one studio, and that no acknowledged write of any is lost. */
async function measured(processes: number, url: string | undefined): Promise<void> {
  const folders = Array.from({ length: processes }, () => newFolder());
  const children: ChildProcess[] = [];
  const addresses: string[] = [];
  for (const folder of folders) {
    const env: Record<string, string> = url === undefined ? {} : { DATABASE_URL: url };
    const { child, address, said } = await launch(join(folder, 'data'), { bare: true, env });
    if (address === null) throw new Error(said());
    children.push(child);
    addresses.push(address);
  }
  const { saves, clashes, waits, newest } = await edited(addresses);
  const kept = (await (await fetch(`${addresses[0]}/api/classes`)).json()) as Array<{ id: string; version: number }>;
  const lost = kept.filter(({ id, version }) => version < (newest.get(id) ?? 0)).length;
  if (lost > 0 || kept.length < newest.size) throw new Error(`${lost} acknowledged writes are lost`);
  for (const child of children) {
    child.kill('SIGKILL');
    await once(child, 'exit');
  }
  for (const folder of folders) rmSync(folder, { recursive: true, force: true });
  const where =
    url === undefined ? 'embedded' : `${processes} ${processes === 1 ? 'process' : 'processes'} on PostgreSQL`;
  report(
    `${CLIENTS} people editing, ${where} (${Math.round(saves / SECONDS)} saves a second, ${clashes} clashes): an answer, p99`,
    quantile(waits, 0.99),
    'ms',
    500,
  );
}

await measured(1, undefined);
for (const processes of [1, 2, 4]) {
  const url = await newDatabase();
  if (url !== null) await measured(processes, url);
}
