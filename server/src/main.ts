import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { buildApp } from './app';
import { openDatabase } from './database';
import { Refusal } from './errors';
import { readFiles, UnreadableFile } from './files';
import { FolderInUse } from './lock';
import { Studio } from './studio';

const ROOT = join(import.meta.dirname, '../..');

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    data: { type: 'string', default: 'data/studio' },
    port: { type: 'string', default: process.env.PORT ?? '4400' },
    host: { type: 'string', default: '127.0.0.1' },
    web: { type: 'string', default: join(ROOT, 'web/dist') },
  },
});

/** Fills an empty studio from bundle files taken as one; a studio that holds something is left alone. */
async function seed(studio: Studio, files: readonly string[]): Promise<void> {
  if (studio.isEmpty && files.length > 0) await studio.import(readFiles(files), 'merge', false);
}

async function start(): Promise<void> {
  const { db, close } = await openDatabase(resolve(ROOT, values.data));
  const studio = await Studio.open(db);
  await seed(studio, positionals);
  const app = await buildApp(studio, { webFolder: values.web, log: true });
  let stopping = false;
  const stop = async () => {
    if (stopping) return;
    stopping = true;
    await app.close();
    await close();
    process.exit(0);
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  try {
    const address = await app.listen({ port: Number(values.port), host: values.host });
    console.log(`Warm Ladder is ready at ${address}`);
  } catch (error) {
    await close();
    throw error;
  }
}

start().catch((error: NodeJS.ErrnoException) => {
  if (error.code === 'EADDRINUSE') {
    console.error(`Port ${values.port} is taken. Start on another one: --port NUMBER, or PORT=NUMBER.`);
  } else if (error instanceof FolderInUse || error instanceof UnreadableFile || error instanceof Refusal)
    console.error(error.message);
  else console.error(error);
  process.exit(1);
});
