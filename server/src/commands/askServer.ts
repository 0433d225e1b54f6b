import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { buildApp } from '../app';
import { addressOf, FolderInUse } from '../database/folderLock';
import { openDatabase } from '../database/openDatabase';
import { BadOptions, databaseUrl } from '../options';
import { sayError } from '../plainLine';
import { ROOT } from '../root';
import { Copies } from '../studio/copies';
import { Studio } from '../studio/studio';

/** A request of a command, and its answer as text. @throws Error with the server's sentence when it is refused */
export type Ask = (method: 'GET' | 'POST', url: string, body?: string) => Promise<string>;

/** What a command of the shape `COMMAND FILE [--data FOLDER]` was given. @throws BadOptions */
export function readFileOption(command: string, args: readonly string[]): { file: string; data: string } {
  const expected = `Expected npm run ${command} -- FILE, and --data FOLDER for a studio that is not in data/studio.`;
  try {
    const { values, positionals } = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: { data: { type: 'string', default: 'data/studio' } },
    });
    const [file, ...more] = positionals;
    if (!file || more.length > 0) throw new BadOptions(`Name one file. ${expected}`);
    return { file: resolve(process.env.INIT_CWD ?? process.cwd(), file), data: resolve(ROOT, values.data) };
  } catch (error) {
    if (error instanceof BadOptions) throw error;
    throw new BadOptions(`${error instanceof Error ? error.message.split('. ')[0] : error}. ${expected}`);
  }
}

/**
 * Works on the studio in a folder: through the server that has it, or, when none is running, by opening it.
 * @throws FolderInUse when a server has it that does not answer yet
 */
export async function withStudio<T>(folder: string, work: (ask: Ask) => Promise<T>): Promise<T> {
  const url = databaseUrl();
  // Of a PostgreSQL server, one process more makes no difference.
  const address = url === undefined ? await addressOf(folder) : null;
  if (address !== null) return work(remote(address));
  const { db, close } = await openDatabase(folder, url);
  try {
    const app = await buildApp(await Studio.open(db, new Copies(join(folder, 'kept'))));
    const done = await work(async (method, url, body) => {
      const { statusCode, payload } = await app.inject({
        method,
        url: `/api${url}`,
        headers: { host: 'localhost', ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
        ...(body === undefined ? {} : { payload: body }),
      });
      return accepted(statusCode < 400, payload);
    });
    await app.close();
    return done;
  } finally {
    await close();
  }
}

const remote =
  (address: string): Ask =>
  async (method, url, body) => {
    const response = await fetch(`${address}/api${url}`, {
      method,
      ...(body === undefined ? {} : { body, headers: { 'content-type': 'application/json' } }),
    });
    return accepted(response.ok, await response.text());
  };

function accepted(ok: boolean, text: string): string {
  if (ok) return text;
  const refusal = JSON.parse(text) as { message?: string; problems?: Array<{ path: string; message: string }> };
  const problems = (refusal.problems ?? []).map(({ path, message }) => `${path}: ${message}`);
  throw new Error(problems.length > 0 ? problems.join('\n') : (refusal.message ?? text));
}

/** Runs a command to its exit code: 0, or 2 with a sentence. */
export async function runCommand(work: () => Promise<void>): Promise<void> {
  try {
    await work();
  } catch (error) {
    sayError(error instanceof FolderInUse || error instanceof Error ? error.message : String(error));
    process.exitCode = 2;
  }
}
