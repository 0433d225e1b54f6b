import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** The project's folder, from a source file as from a compiled one: the nearest above that holds the migrations. */
export const ROOT = ((): string => {
  let folder = import.meta.dirname;
  while (!existsSync(join(folder, 'server/migrations'))) {
    if (dirname(folder) === folder) throw new Error('The project’s folder server/migrations is missing.');
    folder = dirname(folder);
  }
  return folder;
})();
