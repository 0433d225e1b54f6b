import type { Queries } from './engine';

/** Bytes written between two tidyings: each leaves a dead row and its share of the log behind. */
const BYTES = 16 * 1024 * 1024;
/** Writes between two tidyings: small ones leave dead rows too. */
const WRITES = 2_000;

/**
 * Keeps the log and the dead rows bounded while the server runs. The engine in a single process has neither a
 * checkpointer nor an autovacuum, so the one who writes must call for them.
 */
export class Upkeep {
  readonly #db: Queries;
  #bytes = 0;
  #writes = 0;

  constructor(db: Queries) {
    this.#db = db;
  }

  /** @returns whether it is time to tidy */
  wrote(bytes: number): boolean {
    this.#bytes += bytes;
    this.#writes += 1;
    return this.#bytes >= BYTES || this.#writes >= WRITES;
  }

  /** Lets dead rows be used again and old log go. Some tens of milliseconds. */
  async tidy(): Promise<void> {
    this.#bytes = 0;
    this.#writes = 0;
    // Each by itself: neither can run inside a transaction.
    for (const table of ['document', 'tally', 'set_aside']) await this.#db.query(`vacuum ${table}`);
    await this.#db.query('checkpoint');
  }
}
