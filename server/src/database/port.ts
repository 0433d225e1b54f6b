/** What the queries of a studio need of a database. */
export interface Queries {
  query<T>(sql: string, values?: unknown[]): Promise<{ readonly rows: T[] }>;
  /** Runs several statements that take no values. */
  exec(sql: string): Promise<void>;
}

/** The one port to a database: the embedded one in a data folder, or a PostgreSQL server. */
export interface Database extends Queries {
  /** Where it is, as one may say it aloud: without a password. */
  readonly place: string;
  /** Runs queries as one transaction: all of them or none. */
  transaction<T>(work: (db: Queries) => Promise<T>): Promise<T>;
  /**
   * Waits until it can be asked. Whoever remembers what was in the database reads it anew when the number that comes
   * back has changed.
   * @throws what keeps it from answering
   */
  ready(): Promise<number>;
  /** Calls back when somebody else may have written. @returns what ends it */
  onWritten(tell: () => void): () => void;
  /** Lets dead rows be used again and old log go, where nobody else sees to it. */
  tidy(tables: readonly string[]): Promise<void>;
  close(): Promise<void>;
}

/** The lock under which a database is brought up to date, and the one under which documents are written. */
export const LOCKS = { migrate: 1, write: 2 } as const;
/** The first half of every advisory lock of this product. */
export const LOCK_SPACE = 4400;
/** What is notified when documents have been written. */
export const WRITTEN = 'warm_ladder_written';
