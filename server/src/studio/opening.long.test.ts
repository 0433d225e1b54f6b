import { cpSync, rmSync, truncateSync } from 'node:fs';
import { join } from 'node:path';
import { block, bundleOf, classOf, inVersion1 } from '@warm-ladder/core/testing';
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

test('a page that was lost is no smaller studio: it is refused, and taken as it is only when told to', async () => {
  const server = await filled();
  const { rows } = await server.db.query<{ path: string }>(`select pg_relation_filepath('document') as path`);
  await server.db.query('checkpoint');
  await server.close();
  const file = join(folder, 'database', rows[0]?.path ?? '');
  truncateSync(file, 0);
  await expect(startServer(folder)).rejects.toThrow(/A part of the studio is lost: .*0 of 3 classes are there/);
  const salvaged = await startServer(folder, { salvage: true });
  expect((await salvaged.send('GET', '/studio')).body.bundle.classes).toEqual([]);
  await salvaged.close();
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

test('a studio stored in version 1 is copied, brought to this version at once, and opens as it was', async () => {
  const studio = bundleOf({
    classes: [classOf([block('hold'), block('curl')])],
    audiences: [{ id: 'choir', name: 'Choir', homeHeat: 43 }],
    series: [],
  });
  const server = await startServer(folder);
  await server.send('POST', '/bundle', studio);
  const older = inVersion1(studio) as Record<string, Array<{ id: string }>>;
  for (const kind of ['exercises', 'classes', 'audiences']) {
    for (const value of older[kind] ?? []) {
      await server.db.query('update document set format = 1, body = $1::jsonb where id = $2', [
        JSON.stringify(value),
        value.id,
      ]);
    }
  }
  const before = (await server.send('GET', '/studio')).body.versions;
  await server.close();

  const again = await startServer(folder);
  const { bundle, versions, setAside } = (await again.send('GET', '/studio')).body;
  expect(setAside).toBe(0);
  expect(bundle.exercises).toEqual(studio.exercises);
  expect(bundle.classes?.[0]?.blocks.map(({ id }) => id)).toEqual(['b1', 'b2']);
  expect(bundle.audiences?.[0]?.homeHeat).toBe(63);
  // Nobody has changed it: what a browser could not send yet was made from just this version.
  expect({ ...versions, method: {} }).toEqual(before);
  // It had not chosen what the low back does: it keeps what it did.
  expect(bundle.method).toEqual({ choices: { lowBack: 'by-load' } });
  const { rows } = await again.db.query<{ formats: number }>(
    'select count(*)::int as formats from document where format < 3',
  );
  expect(rows[0]?.formats).toBe(0);
  const copies = (await again.send('GET', '/copies')).body as unknown as Array<{ name: string }>;
  expect(copies.length).toBeGreaterThan(0);
  await again.close();
}, 60_000);

test('what stood inside documents of version 2 stands by itself, and what new defaults did is told at that start alone', async () => {
  const plan = classOf([block('reach'), block('curl')]);
  const server = await startServer(folder);
  await server.send('POST', '/bundle', bundleOf({ classes: [plan], series: [], method: { settleSeconds: 5 } }));
  const older = async (kind: string, id: string, body: object) =>
    server.db.query('update document set format = 2, body = $1::jsonb where kind = $2 and id = $3', [
      JSON.stringify(body),
      kind,
      id,
    ]);
  const marks = [{ block: 'b1', pass: 1, startSeconds: 61 }];
  const rehearsals = [{ id: 'r1', at: '2026-11-12T18:32:00Z', seconds: 300, marks }];
  await older('classes', plan.id, { ...plan, rehearsals });
  await older('method', 'house', { settleSeconds: 5 });
  await server.close();

  const again = await startServer(folder);
  const { bundle, setAside } = (await again.send('GET', '/studio')).body;
  expect(setAside).toBe(0);
  expect(bundle.logs).toMatchObject([{ class: plan.id, source: 'rehearsal', endedSeconds: 300 }]);
  expect(bundle.method).toEqual({ settleSeconds: 5, choices: { lowBack: 'by-load' } });
  expect(again.studio.lengths).toEqual({
    changed: 1,
    of: 1,
    bySeconds: 4,
    most: { name: 'Test class', bySeconds: 4 },
  });
  const taken = await again.send('POST', '/bundle?mode=replace', bundle);
  expect(taken.status).toBe(200);
  await again.close();
  const third = await startServer(folder);
  expect(third.studio.lengths).toBeNull();
  expect((await third.send('GET', '/studio')).body.bundle).toEqual(bundle);
  await third.close();
}, 60_000);
