import { once } from 'node:events';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { emptyBundle } from '@warm-ladder/core/formats';
import { writeRepertoireCsv } from '@warm-ladder/core/tables';
import { largeStudio } from '../bench/largeStudio';
import { DEMO, launch, newFolder, ROOT } from '../studio';
import type { Row } from './report';
import { bigBundle, save } from './writers';

/**
 * Milliseconds for which nothing may hold the server's one thread. The shorter forms run beside other checks, where the
 * machine itself stops a process for longer than that: they tell what has held it for seconds and hours from what does not.
 */
const mostHeld = (size: number): number => (size < 1 ? 1_500 : 100);

interface Attack {
  readonly what: string;
  readonly method?: 'GET' | 'POST' | 'PUT';
  readonly path: string;
  readonly type?: string;
  /** Made only when it is sent: some are as large as a body may be. */
  readonly body?: () => string;
  readonly status: number;
  /** How often at once. */
  readonly times?: number;
}

const json = 'application/json';
const named = (name: string) => ({ ...emptyBundle(), classes: [{ ...bigBundle(1).classes?.[0], name }] });
const edited = (i: number) => ({
  kind: 'classes',
  id: `class-${i}`,
  version: 1,
  edit: [{ op: 'set', path: ['name'], value: 'B', was: 'A' }],
});
const change = (i: number) => ({ kind: 'classes', id: `gone-${i}`, version: 0, value: null });

/**
 * What has held a server for seconds or hours.
 * @param size 1 for what a request may hold at most; less for some seconds of it
 */
function attacks(size: number): Attack[] {
  const many = (count: number) => Math.round(count * size);
  const file = (what: string, body: () => string, status = 422): Attack => ({
    what,
    path: 'bundle?mode=merge&rehearse=true',
    type: json,
    body,
    status,
  });
  const table = (what: string, body: () => string): Attack => ({
    what,
    path: 'repertoire.csv?rehearse=true',
    type: 'text/csv',
    body,
    status: 422,
  });
  return [
    file('half a tag without end in a name', () => JSON.stringify(named('<a'.repeat(many(5_000_000))))),
    file('a text of spaces', () => JSON.stringify(named(` ${' '.repeat(many(10_000_000))}x`))),
    file('a file of brackets', () => '['.repeat(many(20_000_000))),
    file('an object of millions of keys', () => {
      const keys = Array.from({ length: many(2_000_000) }, (_, i) => `"k${i}":0`);
      return `{"format":"warm-ladder/bundle","version":3,${keys.join(',')}}`;
    }),
    file('classes that are none', () =>
      JSON.stringify({ ...emptyBundle(), classes: Array.from({ length: many(50_000) }, () => 0) }),
    ),
    file('classes with one id', () => {
      const [one] = bigBundle(1).classes ?? [];
      return JSON.stringify({ ...emptyBundle(), classes: Array.from({ length: many(20_000) }, () => one) });
    }),
    table('a table of quotes', () => '"'.repeat(many(20_000_000))),
    table('a table of empty lines', () => `exercise,rung\n${'\n'.repeat(many(20_000_000))}`),
    table('a table of a million columns', () => 'a,'.repeat(many(2_000_000))),
    table('a table of rows of no exercise', () => {
      const [head = ''] = writeRepertoireCsv(emptyBundle()).split('\r\n');
      return `${head}\r\n${',x'.repeat(20)}\r\n`.replace(/$/, `${'a,b,c\r\n'.repeat(many(1_000_000))}`);
    }),
    {
      what: 'removals of what is not there',
      path: 'changes',
      type: json,
      body: () => JSON.stringify({ changes: Array.from({ length: many(30_000) }, (_, i) => change(i)) }),
      status: 200,
    },
    {
      what: 'edits of versions that never were',
      path: 'changes',
      type: json,
      body: () => JSON.stringify({ changes: Array.from({ length: many(15_000) }, (_, i) => edited(i)) }),
      status: 200,
    },
    {
      what: 'a document of many keys',
      method: 'PUT',
      path: 'classes/class-0',
      type: json,
      body: () => {
        const keys = Array.from({ length: many(150_000) }, (_, i) => [`k${i}`, 0]);
        return JSON.stringify({ version: 0, value: Object.fromEntries(keys) });
      },
      status: 422,
    },
    {
      what: 'a document of one long word',
      method: 'PUT',
      path: 'classes/class-0',
      type: json,
      body: () =>
        JSON.stringify({ version: 0, value: { ...bigBundle(1).classes?.[0], notes: '<a'.repeat(many(1_000_000)) } }),
      status: 422,
    },
    { what: 'pages of a series', path: 'series/bench-to-mat/sheets', status: 200, times: Math.ceil(size * 12) },
    { what: 'a script on paper', path: 'handouts/rowers-sixty?as=pdf', status: 200, times: 4 },
    { what: 'a class of no name there could be', path: `classes/${'x'.repeat(150)}`, status: 400, times: 50 },
  ];
}

/** A server with a meter on its one thread. */
async function metered(bundles: readonly string[]) {
  const folder = newFolder();
  const file = join(folder, 'held');
  const meter = pathToFileURL(join(ROOT, 'e2e/faults/heldLoop.mjs')).href;
  const server = await launch(join(folder, 'data'), {
    bare: true,
    bundles,
    node: ['--import', meter],
    env: { HELD_FILE: file },
  });
  if (server.address === null) throw new Error(server.said());
  return {
    ...server,
    /** Milliseconds for which its loop was held at most since this was last asked. */
    held: async (): Promise<number> => {
      rmSync(file, { force: true });
      server.child.kill('SIGUSR2');
      for (let turn = 0; turn < 3_000 && !existsSync(file); turn++) await pause(20);
      await pause(5);
      return existsSync(file) ? Number(readFileSync(file, 'utf8')) : Number.POSITIVE_INFINITY;
    },
    end: async () => {
      server.child.kill('SIGKILL');
      await once(server.child, 'exit');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

/** What has held a server is sent to it; each is answered, and none holds its one thread. */
export async function held(size: number): Promise<Row> {
  const server = await metered(DEMO);
  const faults: string[] = [];
  let most = 0;
  for (const { what, method, path, type, body, status, times = 1 } of attacks(size)) {
    const sent = body?.();
    await pause(300);
    await server.held();
    const began = performance.now();
    const got = await Promise.all(
      Array.from({ length: times }, async () => {
        const response = await fetch(`${server.address}/api/${path}`, {
          method: method ?? (sent === undefined ? 'GET' : 'POST'),
          ...(sent === undefined ? {} : { body: sent, headers: { 'content-type': type ?? '' } }),
        });
        await response.arrayBuffer();
        return response.status;
      }),
    );
    const seconds = ((performance.now() - began) / 1_000).toFixed(1);
    const stood = await server.held();
    if (process.env.HELD_SAY) console.error(`${what}: ${stood} ms held, ${seconds} s, ${got.join(' ')}`);
    most = Math.max(most, stood);
    if (stood > mostHeld(size)) faults.push(`${what}: held for ${stood} ms`);
    if (got.some((each) => each !== status)) faults.push(`${what}: answered ${got.join(' ')}, not ${status}`);
  }
  const [rungs, classes] = [Math.round(20_000 * size), Math.round(10_000 * size)];
  const file = JSON.stringify(largeStudio(rungs, classes));
  await server.held();
  const began = performance.now();
  let done = false;
  const importing = fetch(`${server.address}/api/bundle?mode=merge`, {
    method: 'POST',
    headers: { 'content-type': json },
    body: file,
  }).finally(() => {
    done = true;
  });
  let [version, saves] = [0, 0];
  while (!done) {
    const next = await save(server.address ?? '', 'beside', version, `Save ${saves}`);
    if (typeof next === 'number') version = next;
    else faults.push(`a save beside an import: ${next?.status ?? 'no answer'}`);
    saves += 1;
  }
  const { status } = await importing;
  if (status !== 200) faults.push(`the import: answered ${status}`);
  const seconds = Math.round((performance.now() - began) / 1_000);
  const stood = await server.held();
  if (stood > mostHeld(size)) faults.push(`an import of ${rungs} rungs and ${classes} classes: held for ${stood} ms`);
  await server.end();
  return {
    what: 'what has held a server',
    measured:
      `${attacks(size).length} attacks, the loop held for ${most} ms at most; an import of ${rungs} rungs and ` +
      `${classes} classes in ${seconds} s beside ${saves} saves, held for ${stood} ms at most`,
    holds: faults.length === 0,
    faults,
  };
}
