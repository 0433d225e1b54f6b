import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { parentPort } from 'node:worker_threads';
import { PGlite } from '@electric-sql/pglite';
import { DURABLE_START, DurableFiles } from './database/durableFiles';
import type { EngineAnswer, EngineAsked } from './database/engineMessages';
import { sentError } from './threads/messages';

/**
 * The embedded database in a thread of its own: what it computes holds nobody else up. It is asked one thing after
 * another (`EngineThread`), and answers in that order.
 */
let db: PGlite | null = null;

async function open(database: string): Promise<void> {
  // Left by a server that was killed. The folder is this process's, so nobody's; a power cut leaves it empty, and the
  // engine would stop at that.
  rmSync(join(database, 'postmaster.pid'), { force: true });
  db = await PGlite.create({ fs: new DurableFiles(database), startParams: DURABLE_START });
  await db.query('select 1');
}

async function answer(asked: EngineAsked): Promise<unknown[]> {
  if ('make' in asked) await (await PGlite.create(asked.make)).close();
  else if ('open' in asked) await open(asked.open);
  else if ('close' in asked) await db?.close();
  else if (!db) throw new Error('the database is not open');
  else if ('script' in asked) await db.exec(asked.script);
  else return (await db.query(asked.sql, asked.values)).rows;
  return [];
}

let last: Promise<unknown> = Promise.resolve();
parentPort?.on('message', (asked: EngineAsked) => {
  last = last.then(async () => {
    const { n } = asked;
    const told = await answer(asked).then(
      (rows): EngineAnswer => ({ n, rows }),
      (error: unknown): EngineAnswer => ({ n, error: sentError(error) }),
    );
    parentPort?.postMessage(told);
    if ('close' in asked) parentPort?.close();
  });
});
