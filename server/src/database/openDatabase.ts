import { migrate } from './migrate';
import { openFolder } from './openFolder';
import type { Database } from './port';
import { PostgresDatabase } from './postgres';

/** A database ready to be used, brought up to date. */
export interface OpenDatabase {
  readonly db: Database;
  /** Lets commands find the server that has it. */
  readonly announce: (address: string) => void;
  readonly close: () => Promise<void>;
}

/**
 * Opens the studio's database: the PostgreSQL server that is named, else the one in the data folder.
 * @param url of a PostgreSQL server: `postgres://USER@HOST:PORT/DATABASE`
 * @throws DatabaseUnreachable, DatabaseTooNew, FolderInUse, FolderBroken
 */
export async function openDatabase(folder: string, url: string | undefined): Promise<OpenDatabase> {
  if (url === undefined) return openFolder(folder);
  const db = await PostgresDatabase.open(url);
  try {
    await migrate(db);
  } catch (error) {
    await db.close();
    throw error;
  }
  return { db, announce: () => undefined, close: () => db.close() };
}
