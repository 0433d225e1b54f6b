import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensurePreparedFolder, ensureServer, ROOT } from './ensure.mjs';
import { startPostgres } from './postgres.mjs';

/**
 * What tests stand on: a folder of this run’s own, a studio's folder to copy, the commands compiled, and a PostgreSQL
 * server.
 */
export default async function setUp() {
  ensureServer();
  process.env.PREPARED_FOLDER = ensurePreparedFolder();
  process.env.RUN_FOLDER = mkdtempSync(join(tmpdir(), 'warm-ladder-run-'));
  process.env.COMPILED_SERVER = join(ROOT, 'server/dist');
  // Begun by `npm test` already, for the interface too.
  if (process.env.TEST_DATABASE_URL) return;
  const postgres = await startPostgres();
  globalThis.postgresOfTests = postgres;
  if (postgres) process.env.TEST_DATABASE_URL = postgres.url();
}
