import type { EngineThread } from './engineThread';
import type { Database, Queries } from './port';

/** Milliseconds between two tries to open it: each takes about one second. */
const RETRY = 2_000;

/** Whether an error ends the engine: it said so itself, or what failed was not the database's answer at all. */
function isFatal(error: unknown): boolean {
  const { severity } = (error ?? {}) as { severity?: unknown };
  return typeof severity !== 'string' || severity === 'PANIC' || severity === 'FATAL';
}

/**
 * The embedded database, begun again when it has ended. After a write to its log that the disk refused, it calls a
 * panic, as it must; as a program of its own it would end, but here it stays, and its next query would never return. So
 * an engine that has panicked is asked nothing more: another is opened on the folder, recovers what was committed, and
 * goes on. While a transaction runs, what else is asked waits for its end.
 */
export class EmbeddedDatabase implements Database {
  readonly place: string;
  readonly #open: () => Promise<EngineThread>;
  #db: EngineThread | null;
  #generation = 0;
  /** What ended it, and when it may be tried again, in milliseconds. */
  #end: unknown;
  #nextTry = 0;
  #running: Promise<void> | null = null;

  /** @param folder where it is @param open opens the database there @param db the one opened first */
  constructor(folder: string, open: () => Promise<EngineThread>, db: EngineThread) {
    this.place = folder;
    this.#open = open;
    this.#db = db;
  }

  /**
   * Opens the engine again if it has ended. Whoever remembers what was in the database reads it anew when the number
   * that comes back has changed.
   * @throws what ended it, while it can't be opened, as long as the disk is full
   */
  async ready(): Promise<number> {
    if (this.#db) return this.#generation;
    if (Date.now() < this.#nextTry) throw this.#end;
    try {
      this.#db = await this.#open();
    } catch {
      // Why it ended says more than why it does not begin: a full disk, and not a failed start.
      this.#nextTry = Date.now() + RETRY;
      throw this.#end;
    }
    this.#generation += 1;
    return this.#generation;
  }

  async query<T>(sql: string, values?: unknown[]): Promise<{ rows: T[] }> {
    await this.#free();
    return this.#inside.query(sql, values);
  }

  async exec(sql: string): Promise<void> {
    await this.#free();
    await this.#inside.exec(sql);
  }

  /** Asks whether or not a transaction runs: what belongs to it. */
  readonly #inside: Queries = {
    query: <T>(sql: string, values?: unknown[]) => this.#ask((db) => db.query<T>(sql, values)),
    exec: (sql) => this.#ask((db) => db.exec(sql)),
  };

  /** Waits until no transaction runs: it has no name, and whatever is asked meanwhile would be a part of it. */
  async #free(): Promise<void> {
    while (this.#running) await this.#running;
  }

  async #ask<T>(work: (db: EngineThread) => Promise<T>): Promise<T> {
    await this.ready();
    try {
      return await work(this.#db as EngineThread);
    } catch (error) {
      if (isFatal(error)) {
        void this.#db?.end();
        this.#db = null;
        this.#end = error;
        this.#nextTry = 0;
      }
      throw error;
    }
  }

  async transaction<T>(work: (db: Queries) => Promise<T>): Promise<T> {
    await this.#free();
    let over: () => void = () => undefined;
    this.#running = new Promise((resolve) => {
      over = resolve;
    });
    try {
      await this.#inside.query('begin');
      const done = await work(this.#inside);
      await this.#inside.query('commit');
      return done;
    } catch (error) {
      // An engine that has ended rolls back when it is opened again; asking it to would never return.
      if (this.#db) await this.#inside.query('rollback');
      throw error;
    } finally {
      this.#running = null;
      over();
    }
  }

  /** Nobody else writes: the folder is this process's. */
  onWritten(): () => void {
    return () => undefined;
  }

  /** The engine in a single process has neither a checkpointer nor an autovacuum, which counts rows for its plans too. */
  async tidy(tables: readonly string[]): Promise<void> {
    // Each by itself: neither can run inside a transaction.
    for (const table of tables) await this.query(`vacuum analyze ${table}`);
    await this.query('checkpoint');
  }

  async close(): Promise<void> {
    await this.#db?.close();
  }
}
