import { once } from 'node:events';
import { emptyBundle, mergeBundles, parseBundle, reviewBundle } from '@warm-ladder/core/formats';
import { writeRepertoireCsv } from '@warm-ladder/core/tables';
import { demoBundle } from '../demo';
import { EMBEDDED, type Ground, grounded } from './ground';
import type { Row } from './report';

/** Chance by a seed: the same files each time. */
function chances(seed: number) {
  let state = seed;
  const next = () => {
    state = (state * 1664525 + 1013904223) % 4294967296;
    return state / 4294967296;
  };
  return { next, of: <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)] as T };
}

const ODD: readonly unknown[] = [
  1,
  2,
  0.5,
  40,
  'Slowly',
  'left',
  null,
  -1,
  0,
  1e308,
  '',
  'constructor',
  '__proto__',
  'x'.repeat(5_000),
  '<script>',
  [],
  {},
  true,
  { constructor: 1 },
  '\u202Eabc',
  '\uD800',
  [[[[]]]],
];

/** A bundle of a few documents with some values anywhere in it changed for odd ones, gone, or doubled. */
function mutated(source: string, seed: number): string {
  const { next, of } = chances(seed + 1);
  const value = JSON.parse(source) as Record<string, unknown>;
  const changes = 1 + Math.floor(next() * 2);
  for (let i = 0; i < changes; i++) {
    let at: Record<string, unknown> = value;
    for (let depth = 0; depth < 9; depth++) {
      const keys = Object.keys(at);
      const key = of(keys);
      const below = key === undefined ? undefined : at[key];
      if (typeof below === 'object' && below !== null && Object.keys(below).length > 0 && next() < 0.8) {
        at = below as Record<string, unknown>;
        continue;
      }
      if (key === undefined) break;
      if (next() < 0.2) delete at[key];
      else if (next() < 0.3) at[of(['constructor', '__proto__', 'colour', of(keys)])] = below;
      else at[key] = of(ODD);
      break;
    }
  }
  const text = JSON.stringify(value);
  return next() < 0.1 ? text.slice(0, Math.floor(next() * text.length)) : text;
}

/** Some exercises of the demo, a class over them and its series: small enough to be taken in thousands of times. */
function smallBundle(): string {
  const { props, positions, exercises = [], audiences, method } = demoBundle();
  const few = exercises.filter(({ rungs }) => rungs.every(({ requires }) => !requires)).slice(0, 6);
  const blocks = few.map(({ id, rungs }, i) => ({ id: `b${i + 1}`, exercise: id, rung: rungs[0]?.id, mode: 'teach' }));
  const plan = {
    id: 'made',
    name: 'Made',
    delivery: 'group',
    targetMinutes: 30,
    openingSeconds: 0,
    closingSeconds: 0,
    blocks,
  };
  const series = [{ id: 'row', name: 'Row', episodes: [{ class: 'made' }] }];
  const head = { ...emptyBundle(), ...(method ? { method } : {}) };
  return JSON.stringify({ ...head, props, positions, exercises: few, audiences, classes: [plan], series });
}

/** Thousands of damaged files and tables: each is taken in whole or refused whole, and none brings anything down. */
export async function fuzz(files: number, ground: Ground = EMBEDDED): Promise<Row> {
  const { start, end } = await grounded(ground);
  const server = await start();
  const source = smallBundle();
  const counts: Record<string, number> = {};
  const faults: string[] = [];
  const tell = (kind: string) => {
    counts[kind] = (counts[kind] ?? 0) + 1;
  };
  const post = (path: string, type: string, body: string) =>
    fetch(`${server.address}/api/${path}`, { method: 'POST', headers: { 'content-type': type }, body });
  for (let i = 0; i < files; i++) {
    const text = mutated(source, i);
    const { status } = await post('bundle?mode=replace', 'application/json', text);
    tell(`${status}`);
    if (status !== 200 && status !== 422) faults.push(`file ${i}: ${status}`);
    try {
      const parsed = parseBundle(text);
      const sound = parsed.ok && mergeBundles([{ file: 'x', bundle: parsed.bundle }]).problems.length === 0;
      if (sound) {
        reviewBundle(parsed.bundle);
        tell('reviewed');
      }
      if (sound !== (status === 200)) faults.push(`file ${i}: one of review and import takes it, the other does not`);
    } catch (error) {
      faults.push(`file ${i}: the review failed: ${error}`);
    }
  }
  await post('bundle?mode=replace', 'application/json', source);
  const table = writeRepertoireCsv(demoBundle());
  for (let i = 0; i < files / 3; i++) {
    const { next, of } = chances(i + 7_919);
    const at = Math.floor(next() * table.length);
    const odd = of(['"', ',', '\n', '=1+1', ';', '\t', '|', '\u0000', 'constructor', '-9e9', '']);
    const { status } = await post(
      'repertoire.csv?rehearse=true',
      'text/csv',
      table.slice(0, at) + odd + table.slice(at + Math.floor(next() * 30)),
    );
    tell(`table ${status}`);
    if (status !== 200 && status !== 422) faults.push(`table ${i}: ${status}`);
  }
  // Of damage so small, some is none: where nothing is taken in, it is the file that was wrong.
  for (const sound of ['200', 'reviewed', 'table 200']) if (!counts[sound]) faults.push(`nothing was ${sound}`);
  const alive = server.child.exitCode === null;
  server.child.kill('SIGKILL');
  if (alive) await once(server.child, 'exit');
  end();
  const told = Object.entries(counts).map(([kind, count]) => `${count} × ${kind}`);
  return {
    what: `damaged files and tables${ground.words}`,
    measured: told.join(', '),
    holds: faults.length === 0 && alive,
    faults: faults.slice(0, 10),
  };
}
