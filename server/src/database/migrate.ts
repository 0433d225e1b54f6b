import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../root';
import { type Database, LOCK_SPACE, LOCKS } from './port';

const MIGRATIONS = join(ROOT, 'server/migrations');

/** A database of a later version of the product. */
export class DatabaseTooNew extends Error {
  override readonly name = 'DatabaseTooNew';
}

/**
 * Runs the migrations not yet run, in one transaction with their records. Of several processes that begin together one
 * runs them and the others wait.
 * @throws DatabaseTooNew when the database has run one that is not known here
 */
export async function migrate(db: Database): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.query('select pg_advisory_xact_lock($1, $2)', [LOCK_SPACE, LOCKS.migrate]);
    await tx.exec(
      'create table if not exists migration (name text primary key, run_at timestamptz not null default now())',
    );
    const { rows } = await tx.query<{ name: string }>('select name from migration');
    const done = new Set(rows.map(({ name }) => name));
    const files = readdirSync(MIGRATIONS).filter((name) => name.endsWith('.sql'));
    const unknown = [...done].filter((name) => !files.includes(name));
    if (unknown.length > 0) {
      throw new DatabaseTooNew(
        `The studio in ${db.place} was made by a newer Warm Ladder (${unknown.join(', ')}); start that one on it.`,
      );
    }
    for (const name of files.filter((each) => !done.has(each)).sort()) {
      await tx.exec(readFileSync(join(MIGRATIONS, name), 'utf8'));
      await tx.query('insert into migration (name) values ($1)', [name]);
    }
  });
}
