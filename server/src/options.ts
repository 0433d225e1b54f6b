import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { ROOT } from './root';

/** The command line can't be followed. */
export class BadOptions extends Error {
  override readonly name = 'BadOptions';
}

const KNOWN =
  '--data FOLDER, --port NUMBER, --host ADDRESS, --name NAME, --cert FILE and --key FILE, --plain, --share-all, --salvage, --no-web, and bundle files to begin with';

/**
 * The server's command line.
 * @throws BadOptions with what was expected
 */
export function readOptions(args: readonly string[]) {
  const { values, positionals } = parsed(args);
  const port = Number(values.port);
  if (!/^\d{1,5}$/.test(values.port) || port > 65_535) {
    throw new BadOptions(`“${values.port}” is no port; expected --port with a number from 0 to 65535.`);
  }
  if ((values.cert === undefined) !== (values.key === undefined)) {
    throw new BadOptions('A certificate needs its key; expected --cert FILE and --key FILE together.');
  }
  return { ...values, port, data: resolve(ROOT, values.data), files: positionals };
}

/** The PostgreSQL server that keeps the studio in place of the data folder; none when not named. */
export const databaseUrl = (): string | undefined => process.env.DATABASE_URL || undefined;

function parsed(args: readonly string[]) {
  try {
    return parseArgs({
      args: [...args],
      allowPositionals: true,
      options: {
        data: { type: 'string', default: 'data/studio' },
        port: { type: 'string', default: process.env.PORT ?? '4400' },
        host: { type: 'string', default: '127.0.0.1' },
        name: { type: 'string', multiple: true, default: [] },
        cert: { type: 'string' },
        key: { type: 'string' },
        plain: { type: 'boolean', default: false },
        'share-all': { type: 'boolean', default: false },
        salvage: { type: 'boolean', default: false },
        web: { type: 'string', default: resolve(ROOT, 'web/dist') },
        'no-web': { type: 'boolean', default: false },
      },
    });
  } catch (error) {
    const [first = ''] = (error instanceof Error ? error.message : String(error)).split('. ');
    throw new BadOptions(`${first}. Expected ${KNOWN}.`);
  }
}
