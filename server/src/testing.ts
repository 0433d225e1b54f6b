import { execFileSync } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Bundle } from '@warm-ladder/core/formats';
import type { FeedEvent } from '@warm-ladder/core/wire';
import type { FastifyInstance } from 'fastify';
import { buildApp } from './app';
import { openDatabase } from './database/openDatabase';
import type { Database } from './database/port';
import { Copies } from './studio/copies';
import { Studio } from './studio/studio';

/** A folder of a test's own, and how to be rid of it. */
export function temporaryFolder(): { folder: string; remove: () => void } {
  const folder = mkdtempSync(join(tmpdir(), 'warm-ladder-'));
  return { folder, remove: () => rmSync(folder, { recursive: true, force: true }) };
}

/** An empty studio's data folder: a copy of the prepared one (scripts/lib/jestSetup), since making one takes seconds. */
export function preparedFolder(): ReturnType<typeof temporaryFolder> {
  const made = temporaryFolder();
  cpSync(process.env.PREPARED_FOLDER ?? '', made.folder, { recursive: true });
  return made;
}

export interface PdfPage {
  readonly words: string;
  readonly leastType: number;
  readonly lowest: number;
  readonly heard: ReadonlyArray<{ readonly role: string; readonly alt?: string }>;
}

/** The pages of a PDF, by a reader that is not the writer (scripts/lib/readPdf.mjs). */
export function readPdf(path: string): PdfPage[] {
  const reader = join(__dirname, '../../scripts/lib/readPdf.mjs');
  return JSON.parse(execFileSync(process.execPath, [reader, path], { encoding: 'utf8' })) as PdfPage[];
}

export interface TestServer {
  readonly app: FastifyInstance;
  /** Where it listens, for what is not JSON. */
  readonly address: string;
  readonly db: Database;
  readonly studio: Studio;
  /** Every route it has, as `GET /api/classes/:id`. */
  readonly routes: () => ReadonlySet<string>;
  /** Sends JSON and reads JSON. */
  readonly send: (method: string, url: string, body?: unknown) => Promise<{ status: number; body: Answer }>;
  readonly close: () => Promise<void>;
}
type Answer = Record<string, unknown> & { bundle: Bundle; versions: Record<string, Record<string, number>> };

/** How a server is begun: what is left of a studio taken as it is; on a PostgreSQL server in place of the folder. */
interface Begun {
  readonly salvage?: boolean;
  readonly url?: string | undefined;
}

/** The real server over a real database, listening on a free port of this machine. */
export async function startServer(folder: string, { salvage = false, url }: Begun = {}): Promise<TestServer> {
  const { db, close } = await openDatabase(folder, url);
  let studio: Studio;
  try {
    studio = await Studio.open(db, new Copies(join(folder, 'kept')), salvage);
  } catch (error) {
    await close();
    throw error;
  }
  const app = await buildApp(studio);
  const address = await app.listen({ port: 0, host: '127.0.0.1' });
  return {
    app,
    address,
    db,
    studio,
    routes: () => routesOf(app.printRoutes({ commonPrefix: false })),
    send: async (method, url, body) => {
      const json = typeof body === 'string' ? body : JSON.stringify(body);
      const response = await fetch(`${address}/api${url}`, {
        method,
        ...(body === undefined ? {} : { body: json, headers: { 'content-type': 'application/json' } }),
      });
      return { status: response.status, body: (await response.json()) as Answer };
    },
    close: async () => {
      await app.close();
      await studio.settled();
      await close();
    },
  };
}

/** The routes of a printed tree: each line is a part of a path, under the one it goes on from. */
function routesOf(tree: string): ReadonlySet<string> {
  const parts: string[] = [];
  const found = new Set<string>();
  for (const line of tree.split('\n')) {
    const [, indent = '', part = '', methods = ''] = /^([│ ]*)[├└]── (\S*)(?: \(([A-Z, ]+)\))?/.exec(line) ?? [];
    if (part === '') continue;
    parts.splice(indent.length / 4, Number.POSITIVE_INFINITY, part);
    for (const method of methods.split(', ')) if (method && method !== 'HEAD') found.add(`${method} ${parts.join('')}`);
  }
  return found;
}

/** A server for a file of tests: begun with them on a folder of its own, and ended after. */
export function useServer(): { readonly server: TestServer } {
  const { folder, remove } = preparedFolder();
  let running: TestServer | undefined;
  beforeAll(async () => {
    running = await startServer(folder);
  }, 60_000);
  afterAll(async () => {
    await running?.close();
    remove();
  }, 60_000);
  return {
    get server() {
      if (!running) throw new Error('the server runs only while tests do');
      return running;
    },
  };
}

/** Reads a feed until something is told that is wanted. */
export async function told(
  server: TestServer,
  since: number,
  wanted: (event: FeedEvent) => boolean,
): Promise<FeedEvent> {
  const stop = new AbortController();
  const response = await fetch(`${server.address}/api/feed?since=${since}`, { signal: stop.signal });
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  for (;;) {
    const { value, done } = (await reader?.read()) ?? { value: undefined, done: true };
    if (done) throw new Error('the feed ended');
    text += value;
    const events = text.split('\n').flatMap((line) => (line.startsWith('data: ') ? [line.slice(6)] : []));
    const found = events.map((each) => JSON.parse(each) as FeedEvent).find(wanted);
    if (!found) continue;
    stop.abort();
    return found;
  }
}
