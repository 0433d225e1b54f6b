import { block, bundleOf, classOf } from '@warm-ladder/core/testing';
import { preparedFolder, startServer } from '../testing';

test('log and dead rows stay bounded while the server runs', async () => {
  const { folder, remove } = preparedFolder();
  const server = await startServer(folder);
  const blocks = Array.from({ length: 200 }, () => block('hold', { notes: 'Said slowly. '.repeat(300) }));
  await server.send('POST', '/bundle', bundleOf({ classes: [], series: [] }));
  // Eighty megabytes in one document of eight hundred kilobytes.
  let version: unknown = 0;
  for (let i = 0; i < 100; i++) {
    const value = classOf(blocks, { id: 'long', name: `Long ${i}` });
    version = (await server.send('PUT', '/classes/long', { version, value })).body.version;
  }
  const { rows } = await server.db.query<{ table: number; log: number }>(
    `select pg_total_relation_size('document')::int as table, (select sum(size)::int from pg_ls_waldir()) as log`,
  );
  await server.close();
  remove();
  expect(version).toBeGreaterThan(0);
  expect(rows[0]?.table).toBeLessThan(30_000_000);
  expect(rows[0]?.log).toBeLessThan(150_000_000);
}, 60_000);
