import type { Database } from './port';

/** Bytes written between two tidyings: each leaves a dead row and its share of the log behind. */
const BYTES = 16 * 1024 * 1024;
/** Documents written between two tidyings: small ones leave dead rows too, and many at once alter every plan. */
const WRITES = 1_000;

/** Keeps the log and the dead rows bounded while the server runs: the one who writes calls for it. */
export class Upkeep {
  readonly #db: Database;
  #bytes = 0;
  #writes = 0;

  constructor(db: Database) {
    this.#db = db;
  }

  /** @returns whether it is time to tidy */
  wrote(bytes: number, documents: number): boolean {
    this.#bytes += bytes;
    this.#writes += documents;
    return this.#bytes >= BYTES || this.#writes >= WRITES;
  }

  /** Lets dead rows be used again and old log go. Some tens of milliseconds. */
  async tidy(): Promise<void> {
    this.#bytes = 0;
    this.#writes = 0;
    await this.#db.tidy(['document', 'tally', 'set_aside', 'change', 'staged']);
  }
}
