import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import { ROOT } from '../root';

const MIGRATIONS = join(ROOT, 'server/migrations');

/** A data folder of a later version of the product. */
export class FolderTooNew extends Error {
  override readonly name = 'FolderTooNew';
}

/**
 * Runs the migrations not yet run, each with its record in one transaction.
 * @throws FolderTooNew when the folder has run one that is not known here
 */
export async function migrate(db: PGlite): Promise<void> {
  await db.exec(
    'create table if not exists migration (name text primary key, run_at timestamptz not null default now())',
  );
  const { rows } = await db.query<{ name: string }>('select name from migration');
  const done = new Set(rows.map(({ name }) => name));
  const files = readdirSync(MIGRATIONS).filter((name) => name.endsWith('.sql'));
  const unknown = [...done].filter((name) => !files.includes(name));
  if (unknown.length > 0) {
    throw new FolderTooNew(
      `The data folder was made by a newer Warm Ladder (${unknown.join(', ')}); start that one on it.`,
    );
  }
  for (const name of files.filter((each) => !done.has(each)).sort()) {
    const sql = readFileSync(join(MIGRATIONS, name), 'utf8');
    await db.transaction(async (tx) => {
      await tx.exec(sql);
      await tx.query('insert into migration (name) values ($1)', [name]);
    });
  }
}
