import { mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { lockFolder } from './lock';

const MIGRATIONS = join(import.meta.dirname, '../migrations');

export interface OpenDatabase {
  readonly db: PGlite;
  readonly close: () => Promise<void>;
}

/**
 * Opens the database in a data folder, made if it is missing, locked for this process and brought up to date.
 * @throws FolderInUse when another server has the folder
 */
export async function openDatabase(folder: string): Promise<OpenDatabase> {
  mkdirSync(folder, { recursive: true });
  const unlock = lockFolder(folder);
  try {
    const db = await PGlite.create(join(folder, 'database'));
    await migrate(db);
    const close = async () => {
      await db.close();
      unlock();
    };
    return { db, close };
  } catch (error) {
    unlock();
    throw error;
  }
}

/** Runs the migrations not yet run, each with its record in one transaction. */
async function migrate(db: PGlite): Promise<void> {
  await db.exec(
    'create table if not exists migration (name text primary key, run_at timestamptz not null default now())',
  );
  const { rows } = await db.query<{ name: string }>('select name from migration');
  const done = new Set(rows.map(({ name }) => name));
  const files = readdirSync(MIGRATIONS).filter((name) => name.endsWith('.sql'));
  const unknown = [...done].filter((name) => !files.includes(name));
  if (unknown.length > 0) {
    throw new Error(`The data folder was made by a newer Warm Ladder (${unknown.join(', ')}); start that one on it.`);
  }
  for (const name of files.filter((each) => !done.has(each)).sort()) {
    const sql = readFileSync(join(MIGRATIONS, name), 'utf8');
    await db.transaction(async (tx) => {
      await tx.exec(sql);
      await tx.query('insert into migration (name) values ($1)', [name]);
    });
  }
}
