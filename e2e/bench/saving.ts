import { once } from 'node:events';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { type Bundle, emptyBundle } from '@warm-ladder/core/formats';
import type { ClassPlan } from '@warm-ladder/core/plan';
import { openDatabase } from '../../server/src/database/openDatabase';
import type { Database } from '../../server/src/database/port';
import { changeOne } from '../../server/src/routes/documents';
import { Copies } from '../../server/src/studio/copies';
import { Studio } from '../../server/src/studio/studio';
import { demoBundle } from '../demo';
import { bigBundle } from '../faults/writers';
import { launch, newFolder } from '../studio';
import { largeStudio } from './largeStudio';
import { figure, quantile, report } from './report';

/** Saves timed. */
const SAVES = 300;

/** The database with a watch on it: how long the last statement took. */
function watched(db: Database): { db: Database; took: () => number } {
  let took = 0;
  const query: Database['query'] = async (sql, values) => {
    const began = performance.now();
    const answer = await db.query(sql, values);
    took = performance.now() - began;
    return answer as never;
  };
  return {
    db: new Proxy(db, {
      get: (target, key) => {
        if (key === 'query') return query;
        const value = Reflect.get(target, key);
        return typeof value === 'function' ? value.bind(target) : value;
      },
    }),
    took: () => took,
  };
}

/**
 * How many times as long a save takes, from the parsed request to the answer, as the statement it comes down to alone:
 * the same one, measured within it, durable.
 * @param url a PostgreSQL server; none for the embedded database
 */
async function saveRatio(rungs: number, classes: number, url?: string): Promise<void> {
  const folder = newFolder();
  const { db, close } = await openDatabase(join(folder, 'data'), url);
  const watch = watched(db);
  const studio = await Studio.open(watch.db, new Copies(join(folder, 'kept')));
  await studio.import({ bundle: largeStudio(rungs, classes) }, { mode: 'replace', rehearse: false });
  const plan = (studio.bundle.classes ?? []).find(({ id }) => id === 'night-landing') as ClassPlan;
  let { version } = studio.find('classes', plan.id);
  const [saves, statements]: [number[], number[]] = [[], []];
  for (let save = 0; save < SAVES; save++) {
    // As a request brings it: a new object each time.
    const value = JSON.parse(JSON.stringify({ ...plan, name: `Landing ${save}` })) as ClassPlan;
    const began = performance.now();
    ({ version } = await changeOne(studio, { kind: 'classes', id: plan.id, base: version, value }));
    saves.push(performance.now() - began);
    statements.push(watch.took());
  }
  await studio.settled();
  await close();
  rmSync(folder, { recursive: true, force: true });
  const statement = quantile(statements, 0.5);
  const where = url ? 'on PostgreSQL' : 'embedded';
  report(
    `a save at ${rungs} rungs and ${classes} classes, ${where}, as many times as its statement (${statement.toFixed(2)} ms)`,
    quantile(saves, 0.5) / statement,
    'times',
    3,
  );
}

/** Milliseconds a reader of one class waits, again and again, until something else is done. */
async function readersWait(address: string, until: Promise<unknown>): Promise<number[]> {
  const waits: number[] = [];
  let done = false;
  void until.finally(() => {
    done = true;
  });
  while (!done) {
    const began = performance.now();
    await (await fetch(`${address}/api/classes/night-landing`)).json();
    waits.push(performance.now() - began);
  }
  return waits;
}

async function readersBehind(): Promise<void> {
  const folder = newFolder();
  const { child, address } = await launch(join(folder, 'data'), { bare: true });
  if (address === null) throw new Error('the server did not start');
  const post = (mode: string, bundle: Bundle) =>
    fetch(`${address}/api/bundle?mode=${mode}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(bundle),
    });
  const demo = demoBundle();
  await post('replace', demo);
  const plan = (demo.classes ?? []).find(({ id }) => id === 'rowers-sixty') as ClassPlan;
  const saving = async (times: number) => {
    let version = ((await (await fetch(`${address}/api/classes/${plan.id}`)).json()) as { version: number }).version;
    for (let n = 0; n < times; n++) {
      const answer = await fetch(`${address}/api/classes/${plan.id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ version, value: { ...plan, name: `Rowers ${n}` } }),
      });
      ({ version } = (await answer.json()) as { version: number });
    }
  };
  // A server that has just started compiles what it runs; a studio's day is longer than that.
  await saving(100);
  const behindSaves = async () => quantile(await readersWait(address, saving(300)), 0.99);
  await figure('a reader behind a save, p99', 'ms', 20, behindSaves);
  const many = { ...emptyBundle(), classes: bigBundle(1_500).classes ?? [] };
  const waits = await readersWait(address, post('merge', many));
  report('a reader behind an import of 1,500 classes, p99', quantile(waits, 0.99), 'ms', 250);
  child.kill('SIGKILL');
  await once(child, 'exit');
  rmSync(folder, { recursive: true, force: true });
}

await saveRatio(325, 10);
await saveRatio(5_000, 1_000);
// Where Debian's PostgreSQL is installed; see scripts/bench.mjs.
const postgres = process.env.TEST_DATABASE_URL;
if (postgres) await saveRatio(5_000, 1_000, postgres);
await readersBehind();
