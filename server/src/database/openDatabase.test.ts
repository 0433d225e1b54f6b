import { cpSync, existsSync, mkdirSync, readdirSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { block, bundleOf, classOf } from '@warm-ladder/core/testing';
import { preparedFolder, startServer } from '../testing';

let folder: string;
let remove: () => void;
beforeEach(() => {
  ({ folder, remove } = preparedFolder());
});
afterEach(() => remove());

/** A server on the folder with a studio of three classes and ten exercises. */
async function filled() {
  const server = await startServer(folder);
  const classes = ['one', 'two', 'three'].map((id) => classOf([], { id, name: id.repeat(20) }));
  const taken = await server.send('POST', '/bundle', bundleOf({ classes, series: [] }));
  if (taken.status !== 200) throw new Error(String(taken.body.message));
  return server;
}

test.each(['PG_VERSION', 'global/pg_control', 'base', 'pg_wal'])(
  'a database without its %s is refused and left as it is',
  async (part) => {
    rmSync(join(folder, 'database', part), { recursive: true });
    const before = readdirSync(join(folder, 'database'));
    await expect(startServer(folder)).rejects.toThrow(new RegExp(`is not whole: ${part} is missing`));
    expect(readdirSync(join(folder, 'database'))).toEqual(before);
  },
);

test('a folder that held a studio and lost its database is refused', async () => {
  rmSync(join(folder, 'database'), { recursive: true });
  await expect(startServer(folder)).rejects.toThrow(/held a studio, but its database is gone/);
  expect(existsSync(join(folder, 'database'))).toBe(false);
});

test('what a power cut leaves does not keep it from opening', async () => {
  // An empty process file, and a database that was being made when the lights went out.
  writeFileSync(join(folder, 'database/postmaster.pid'), '');
  mkdirSync(join(folder, 'database.new/base'), { recursive: true });
  await (await startServer(folder)).close();
});

test('the engine forces what is written to the disk', async () => {
  const server = await startServer(folder);
  const { rows } = await server.db.query<{ name: string; setting: string }>(
    `select name, setting from pg_settings where name in ('fsync', 'synchronous_commit', 'full_page_writes')`,
  );
  await server.close();
  expect(rows.map(({ setting }) => setting)).toEqual(['on', 'on', 'on']);
});

test('a page that was lost is no smaller studio: it is refused, and taken as it is only when told to', async () => {
  const server = await filled();
  const { rows } = await server.db.query<{ path: string }>(`select pg_relation_filepath('document') as path`);
  await server.db.query('checkpoint');
  await server.close();
  const file = join(folder, 'database', rows[0]?.path ?? '');
  truncateSync(file, 0);
  await expect(startServer(folder)).rejects.toThrow(/A part of the studio is lost: .*0 of 3 classes are there/);
  const salvaged = await startServer(folder, true);
  expect((await salvaged.send('GET', '/studio')).body.bundle.classes).toEqual([]);
  await salvaged.close();
  await (await startServer(folder)).close();
}, 30_000);

test('a document that no longer fits is set aside with what names it, blocks no other, and can come back', async () => {
  const server = await filled();
  await server.db.query(`update document set body = '{"id": "hold", "colour": 1}' where id = 'hold'`);
  await server.close();
  const again = await startServer(folder);
  const { body } = await again.send('GET', '/set-aside');
  const aside = body as unknown as Array<{ kind: string; id: string; at: string; reason: string }>;
  expect(aside.map(({ kind, id }) => `${kind}/${id}`)).toEqual(['exercises/earned', 'exercises/hold']);
  expect(aside[0]?.reason).toMatch(/There is no rung “hold\/low” to require/);
  expect(aside[1]?.reason).toMatch(/is missing/);
  expect((await again.send('PUT', '/classes/new', { version: 0, value: classOf([], { id: 'new' }) })).status).toBe(200);

  const { kind, id, at } = aside[0] ?? { kind: '', id: '', at: '' };
  expect((await again.send('POST', '/set-aside/put-back', { kind, id, at })).status).toBe(422);
  const hold = bundleOf().exercises?.find((each) => each.id === 'hold');
  await again.send('PUT', '/exercises/hold', { version: 0, value: hold });
  expect((await again.send('POST', '/set-aside/put-back', { kind, id, at })).status).toBe(200);
  await again.send('POST', '/set-aside/forget', { kind: 'exercises', id: 'hold', at: aside[1]?.at });
  const studio = (await again.send('GET', '/studio')).body;
  expect(studio.setAside).toBe(0);
  expect(studio.bundle.exercises?.map((each) => each.id)).toContain('earned');
  await again.close();
}, 30_000);

test('a copy of the folder that is opened later gives out no version again', async () => {
  const server = await filled();
  const copy = `${folder}-copy`;
  await server.close();
  cpSync(folder, copy, { recursive: true });
  const later = await startServer(folder);
  const base = (await later.send('GET', '/studio')).body.versions.classes?.one ?? 0;
  const named = (name: string) => ({ version: base, value: classOf([], { id: 'one', name }) });
  const seen = (await later.send('PUT', '/classes/one', named('Seen by a tab'))).body.version;
  await later.close();
  // The folder is brought back from the copy; somebody else saves; the tab still holds what it saw.
  const restored = await startServer(copy);
  await restored.send('PUT', '/classes/one', named('Saved since'));
  const stale = await restored.send('PUT', '/classes/one', { ...named('The tab’s'), version: seen });
  expect([stale.status, stale.body.code]).toEqual([409, 'STALE']);
  await restored.close();
  rmSync(copy, { recursive: true });
}, 60_000);

test('log and dead rows stay bounded while the server runs', async () => {
  const server = await startServer(folder);
  const blocks = Array.from({ length: 200 }, () => block('hold', { notes: 'Said slowly. '.repeat(200) }));
  await server.send('POST', '/bundle', bundleOf({ classes: [], series: [] }));
  // A hundred megabytes in one document of half a megabyte.
  let version: unknown = 0;
  for (let i = 0; i < 200; i++) {
    const value = classOf(blocks, { id: 'long', name: `Long ${i}` });
    version = (await server.send('PUT', '/classes/long', { version, value })).body.version;
  }
  const { rows } = await server.db.query<{ table: number; log: number }>(
    `select pg_total_relation_size('document')::int as table, (select sum(size)::int from pg_ls_waldir()) as log`,
  );
  await server.close();
  expect(version).toBeGreaterThan(0);
  expect(rows[0]?.table).toBeLessThan(30_000_000);
  expect(rows[0]?.log).toBeLessThan(150_000_000);
}, 60_000);
