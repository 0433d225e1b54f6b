import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { BadOptions } from '../options';
import { ROOT } from '../root';
import { moveStudio } from '../studio/moving';
import { runCommand } from './askServer';

const EXPECTED =
  'Expected npm run move -- to postgres://USER@HOST:PORT/DATABASE, or from one, and --data FOLDER for a studio that is not in data/studio.';

/** `move to URL` and `move from URL`: the studio of a folder into an empty PostgreSQL database, and back. */
await runCommand(async () => {
  const { values, positionals } = options();
  const [way, url, ...more] = positionals;
  if ((way !== 'to' && way !== 'from') || !url || more.length > 0) throw new BadOptions(EXPECTED);
  const folder = resolve(ROOT, values.data);
  const place = { folder, copies: join(folder, 'kept') };
  const server = { ...place, url };
  const { documents, to } = await (way === 'to' ? moveStudio(place, server) : moveStudio(server, place));
  console.log(`${documents} documents are in ${to} now, as they were. Where they came from nothing was changed.`);
  if (way === 'to') console.log(`Start the server on them with DATABASE_URL=${url}.`);
});

function options() {
  try {
    return parseArgs({
      args: process.argv.slice(2),
      allowPositionals: true,
      options: { data: { type: 'string', default: 'data/studio' } },
    });
  } catch (error) {
    throw new BadOptions(`${error instanceof Error ? error.message.split('. ')[0] : error}. ${EXPECTED}`);
  }
}
