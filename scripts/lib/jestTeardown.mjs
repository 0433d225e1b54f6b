import { rmSync } from 'node:fs';

/** Ends what jestSetup began. */
export default function tearDown() {
  globalThis.postgresOfTests?.end();
  rmSync(process.env.RUN_FOLDER ?? '', { recursive: true, force: true });
}
