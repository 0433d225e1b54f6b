import { randomUUID } from 'node:crypto';
import type { Database, Queries } from '../database/port';
import { isDisconnection } from '../database/postgres';
import { type DocumentName, documentRows, type Write } from './documentRows';
import { turn } from './unhurried';

/** Documents written by one statement; more are brought in parts of so many first. */
const BATCH = 40;
/** Documents put in their place by one statement. */
const ORDERED = 400;
/** Milliseconds between two tries to learn whether a write was kept whose connection broke, and how many there are. */
const [ASKING, ASKED] = [500, 8];

/** What is to be written. */
interface Writing {
  readonly writes: readonly Write[];
  /** The revision this process has seen. */
  readonly known: number;
  /** Every document in the order it has in the studio as it is to be; `null` where that stays. */
  readonly ordered: readonly DocumentName[] | null;
}

/** A write in one statement, or one whose documents were brought before. */
export interface Brought {
  readonly write: string;
  readonly staged: boolean;
}

/**
 * Brings the documents of a large write to the database, part by part, while others write; few need not be.
 * @param turn lets others go first between two parts; it is told how many are brought
 */
export async function bring(
  db: Database,
  writes: readonly Write[],
  turn: (done: number) => Promise<void>,
): Promise<Brought> {
  const write = randomUUID();
  if (writes.length <= BATCH) return { write, staged: false };
  for (let from = 0; from < writes.length; from += BATCH) {
    await documentRows.stage(db, write, from, writes.slice(from, from + BATCH));
    await turn(Math.min(from + BATCH, writes.length));
  }
  return { write, staged: true };
}

/**
 * Keeps documents: in one statement, which is a transaction by itself; with a new order, in one transaction.
 * @returns the new version of each, and of the order; `null` where somebody else has written meanwhile, and nothing was
 */
export function writeAll(
  db: Database,
  { writes, known, ordered }: Writing,
  { write, staged }: Brought,
): Promise<number[] | null> {
  const keep = (tx: Queries) =>
    staged ? documentRows.keepStaged(tx, known, write, writes.length) : documentRows.write(tx, known, write, writes);
  const work = async (tx: Queries): Promise<number[] | null> => {
    const versions = writes.length === 0 ? [] : await keep(tx);
    if (!versions || !ordered) return versions;
    if (writes.length === 0) {
      await documentRows.lockWrites(tx);
      if ((await documentRows.newest(tx)) > known) return null;
    }
    for (let from = 0; from < ordered.length; from += ORDERED) {
      await documentRows.order(tx, from, ordered.slice(from, from + ORDERED));
      await turn();
    }
    versions.push(await documentRows.reordered(tx, write));
    return versions;
  };
  return surely(db, write, writes.length, () => (ordered ? db.transaction(work) : work(db)));
}

/**
 * Runs a write whose connection may break before its answer comes: then it is asked whether it was kept, by its name,
 * and it is written again only when it was not. Never twice.
 * @param count documents in it
 */
async function surely(
  db: Database,
  write: string,
  count: number,
  work: () => Promise<number[] | null>,
): Promise<number[] | null> {
  try {
    return await work();
  } catch (error) {
    if (!isDisconnection(error)) throw error;
    for (let asked = 0; ; asked++) {
      try {
        const kept = await documentRows.writtenBy(db, write);
        if (kept.length >= count && kept.length > 0) return kept.map(({ version }) => version);
        return await work();
      } catch (again) {
        if (!isDisconnection(again) || asked >= ASKED) throw again;
        await new Promise((resolve) => setTimeout(resolve, ASKING));
      }
    }
  }
}
