import { once } from 'node:events';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { type Bundle, emptyBundle } from '@warm-ladder/core/formats';
import type { ClassPlan } from '@warm-ladder/core/plan';
import { openDatabase } from '../../server/src/database/openDatabase';
import { changeOne } from '../../server/src/routes/documents';
import { Copies } from '../../server/src/studio/copies';
import { documentRows } from '../../server/src/studio/documentRows';
import { Studio } from '../../server/src/studio/studio';
import { demoBundle } from '../demo';
import { bigBundle } from '../faults/writers';
import { launch, newFolder } from '../studio';
import { quantile, report } from './report';

/** Pairs timed, in turn: a save, and the statement it comes down to. */
const PAIRS = 300;

/** The demo's repertoire copied until it holds so many rungs. */
function repertoireOf(rungs: number): Bundle {
  const demo = demoBundle();
  const exercises = demo.exercises ?? [];
  const own = exercises.reduce((sum, { rungs: ladder }) => sum + ladder.length, 0);
  const copies = Array.from({ length: Math.ceil(rungs / own) }, (_, copy) =>
    copy === 0
      ? exercises
      : exercises.map((exercise) => ({
          ...exercise,
          id: `${exercise.id}-${copy}`,
          rungs: exercise.rungs.map(({ requires: _none, ...rung }) => rung),
        })),
  );
  return { ...demo, exercises: copies.flat() };
}

/** How many times as long a save takes, from the parsed request to the answer, as its statement alone; both durable. */
async function saveRatio(rungs: number): Promise<void> {
  const folder = newFolder();
  const { db, close } = await openDatabase(join(folder, 'data'));
  const studio = await Studio.open(db, new Copies(join(folder, 'kept')));
  await studio.import(repertoireOf(rungs), { mode: 'replace', rehearse: false });
  const plan = (studio.bundle.classes ?? []).find(({ id }) => id === 'night-landing') as ClassPlan;
  let { version } = studio.find('classes', plan.id);
  const [saves, statements]: [number[], number[]] = [[], []];
  for (let pair = 0; pair < PAIRS; pair++) {
    // As a request brings it: a new object each time.
    const value: unknown = JSON.parse(JSON.stringify({ ...plan, name: `Landing ${pair}` }));
    const began = performance.now();
    ({ version } = await changeOne(studio, { kind: 'classes', id: plan.id, version, value }, []));
    saves.push(performance.now() - began);
    const text = JSON.stringify({ ...plan, id: 'raw', name: `Raw ${pair}` });
    const raw = performance.now();
    await documentRows.write(db, [{ kind: 'classes', id: 'raw', text }]);
    statements.push(performance.now() - raw);
  }
  await close();
  rmSync(folder, { recursive: true, force: true });
  const [save, statement] = [quantile(saves, 0.5), quantile(statements, 0.5)];
  const bound = rungs > 1_000 ? 12 : 3;
  report(
    `a save at ${rungs} rungs, as many times as its statement (${statement.toFixed(2)} ms)`,
    save / statement,
    'times',
    bound,
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
  report('a reader behind a save, p99', quantile(await readersWait(address, saving(600)), 0.99), 'ms', 20);
  const many = { ...emptyBundle(), classes: bigBundle(1_500).classes ?? [] };
  const waits = await readersWait(address, post('merge', many));
  report('a reader behind an import of 1,500 classes, p99', quantile(waits, 0.99), 'ms', 250);
  child.kill('SIGKILL');
  await once(child, 'exit');
  rmSync(folder, { recursive: true, force: true });
}

await saveRatio(319);
await saveRatio(5_000);
await readersBehind();
