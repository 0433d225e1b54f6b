import { existsSync, mkdirSync, readdirSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { preparedFolder, startServer } from '../testing';

let folder: string;
let remove: () => void;
beforeEach(() => {
  ({ folder, remove } = preparedFolder());
});
afterEach(() => remove());

test('a database without one of its parts is refused and left as it is, and so is a folder without its database', async () => {
  for (const part of ['PG_VERSION', 'global/pg_control', 'base', 'pg_wal']) {
    const [here, away] = [join(folder, 'database', part), join(folder, 'away')];
    renameSync(here, away);
    const before = readdirSync(join(folder, 'database'));
    await expect(startServer(folder)).rejects.toThrow(new RegExp(`is not whole: ${part} is missing`));
    expect(readdirSync(join(folder, 'database'))).toEqual(before);
    renameSync(away, here);
  }
  renameSync(join(folder, 'database'), join(folder, 'away'));
  await expect(startServer(folder)).rejects.toThrow(/held a studio, but its database is gone/);
  expect(existsSync(join(folder, 'database'))).toBe(false);
});

test('what a power cut leaves does not keep it from opening, and the engine forces what is written to the disk', async () => {
  // An empty process file, and a database that was being made when the lights went out.
  writeFileSync(join(folder, 'database/postmaster.pid'), '');
  mkdirSync(join(folder, 'database.new/base'), { recursive: true });
  const server = await startServer(folder);
  const { rows } = await server.db.query<{ setting: string }>(
    `select setting from pg_settings where name in ('fsync', 'synchronous_commit', 'full_page_writes')`,
  );
  await server.close();
  expect(rows.map(({ setting }) => setting)).toEqual(['on', 'on', 'on']);
});

test('a character that no text can hold is taken out of what an earlier version kept, and nothing else is', async () => {
  const server = await startServer(folder);
  const mended = async (written: string) =>
    (await server.db.query<{ text: string }>('select whole_text($1) as text', [written])).rows[0]?.text;
  const kept = JSON.stringify({ name: 'Low \u0000\ud83d leg', notes: 'As said: \\u0000, \\\\ud83d, 🪜 and é' });
  const { name, notes } = JSON.parse((await mended(kept)) ?? '') as { name: string; notes: string };
  expect([name, notes]).toEqual(['Low  leg', 'As said: \\u0000, \\\\ud83d, 🪜 and é']);
  expect(await mended(JSON.stringify({ notes }))).toBe(JSON.stringify({ notes }));
  await server.close();
});
