import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './ensure.mjs';

/** The demo studio: the repertoire of the house, and who teaches what to whom in it. Paths from the root, in order. */
export const DEMO_FILES = ['house', 'demo'].flatMap((folder) =>
  readdirSync(join(ROOT, folder))
    .filter((name) => name.endsWith('.json'))
    .sort()
    .map((name) => join(folder, name)),
);
