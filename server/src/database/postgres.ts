import pg from 'pg';
import { type Database, type Queries, WRITTEN } from './port';

/** A PostgreSQL server that can't be asked. */
export class DatabaseUnreachable extends Error {
  override readonly name = 'DatabaseUnreachable';
}

/** Milliseconds until a connection is given up, and between two tries to listen again. */
const CONNECTING = 5_000;
const RETRY = 1_000;
/** Connections of one process: it writes over one, and reads little. */
const CONNECTIONS = 4;

// Counts and versions are within what a number holds exactly.
pg.types.setTypeParser(pg.types.builtins.INT8, Number);

/** Classes of errors, and errors, with which a server ends or refuses a connection. */
const CONNECTION_CLASSES = new Set(['08', '57']);
const NETWORK = new Set(['ECONNREFUSED', 'ECONNRESET', 'ETIMEDOUT', 'EPIPE', 'ENOTFOUND', 'EAI_AGAIN', 'EHOSTUNREACH']);

/** Whether an error says that the connection is gone, and nothing of the query. */
export function isDisconnection(error: unknown): boolean {
  const { code, message = '' } = (error ?? {}) as { code?: unknown; message?: string };
  if (typeof code === 'string') return NETWORK.has(code) || CONNECTION_CLASSES.has(code.slice(0, 2));
  return /connection (terminated|timeout)|client has encountered|timeout exceeded/i.test(message);
}

/** A studio on a PostgreSQL server, which several processes may have at once. */
export class PostgresDatabase implements Database {
  readonly place: string;
  readonly #url: string;
  readonly #pool: pg.Pool;
  readonly #told = new Set<() => void>();
  #listener: pg.Client | undefined;
  #retry: NodeJS.Timeout | undefined;
  #closed = false;

  private constructor(url: string) {
    this.#url = url;
    this.place = spoken(url);
    this.#pool = new pg.Pool({
      connectionString: url,
      max: CONNECTIONS,
      connectionTimeoutMillis: CONNECTING,
      application_name: 'warm-ladder',
    });
    // A connection that breaks while nobody uses it is replaced by the next who asks.
    this.#pool.on('error', () => undefined);
  }

  /** @throws DatabaseUnreachable with what was tried */
  static async open(url: string): Promise<PostgresDatabase> {
    let db: PostgresDatabase;
    try {
      db = new PostgresDatabase(url);
    } catch {
      throw new DatabaseUnreachable('DATABASE_URL is no address; expected postgres://USER@HOST:PORT/DATABASE.');
    }
    try {
      await db.query('select 1');
    } catch (error) {
      await db.close();
      const why = error instanceof Error ? error.message || String((error as { code?: unknown }).code) : String(error);
      throw new DatabaseUnreachable(
        `The database at ${db.place} can’t be reached: ${why}. Is it running, and may this server use it?`,
      );
    }
    await db.#listen();
    return db;
  }

  async query<T>(sql: string, values?: unknown[]): Promise<{ rows: T[] }> {
    const { rows } = await this.#pool.query(sql, values);
    return { rows };
  }

  async exec(sql: string): Promise<void> {
    await this.#pool.query(sql);
  }

  async transaction<T>(work: (db: Queries) => Promise<T>): Promise<T> {
    const client = await this.#pool.connect();
    const queries: Queries = {
      query: async (sql, values) => ({ rows: (await client.query(sql, values)).rows }),
      exec: async (sql) => {
        await client.query(sql);
      },
    };
    try {
      await client.query('begin');
      const done = await work(queries);
      await client.query('commit');
      client.release();
      return done;
    } catch (error) {
      // A connection that is gone rolls back by itself.
      const ended = await client.query('rollback').then(
        () => false,
        () => true,
      );
      client.release(ended);
      throw error;
    }
  }

  /** Connections come and go; what is there stays. */
  async ready(): Promise<number> {
    return 0;
  }

  onWritten(tell: () => void): () => void {
    this.#told.add(tell);
    return () => this.#told.delete(tell);
  }

  /** The server sees to it itself. */
  async tidy(): Promise<void> {}

  async close(): Promise<void> {
    this.#closed = true;
    clearTimeout(this.#retry);
    await this.#listener?.end().catch(() => undefined);
    await this.#pool.end();
  }

  /** Listens for what other processes write, over a connection of its own; begun again when that breaks. */
  async #listen(): Promise<void> {
    const client = new pg.Client({ connectionString: this.#url, connectionTimeoutMillis: CONNECTING });
    const tell = () => {
      for (const each of this.#told) each();
    };
    const again = () => {
      if (this.#closed || this.#listener !== client) return;
      this.#listener = undefined;
      this.#retry = setTimeout(() => void this.#listen(), RETRY);
    };
    client.on('notification', tell);
    client.on('error', again);
    client.on('end', again);
    this.#listener = client;
    try {
      await client.connect();
      await client.query(`listen ${WRITTEN}`);
      // What was written while nobody listened.
      tell();
    } catch {
      again();
    }
  }
}

/** An address without its password. */
function spoken(url: string): string {
  const { protocol, host, pathname, username } = new URL(url);
  if (!/^postgres(ql)?:$/.test(protocol)) throw new Error('no address of a PostgreSQL server');
  return `${protocol}//${username ? `${username}@` : ''}${host}${pathname}`;
}
