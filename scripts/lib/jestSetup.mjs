import { join } from 'node:path';
import { ensurePreparedFolder, ensureServer, ROOT } from './ensure.mjs';

/** What the server's tests stand on: a studio's folder to copy, and the commands compiled. */
export default function setUp() {
  ensureServer();
  process.env.PREPARED_FOLDER = ensurePreparedFolder();
  process.env.COMPILED_SERVER = join(ROOT, 'server/dist');
}
