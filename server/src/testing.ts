import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Bundle } from '@warm-ladder/core/formats';
import { buildApp } from './app';
import { openDatabase } from './database';
import { Studio } from './studio';

/** A folder of a test's own, and how to be rid of it. */
export function temporaryFolder(): { folder: string; remove: () => void } {
  const folder = mkdtempSync(join(tmpdir(), 'warm-ladder-'));
  return { folder, remove: () => rmSync(folder, { recursive: true, force: true }) };
}

export interface TestServer {
  /** Where it listens, for what is not JSON. */
  readonly address: string;
  /** Sends JSON and reads JSON. */
  readonly send: (method: string, url: string, body?: unknown) => Promise<{ status: number; body: Answer }>;
  readonly close: () => Promise<void>;
}
type Answer = Record<string, unknown> & { bundle: Bundle; versions: Record<string, Record<string, number>> };

/** The real server over a real database in a folder, listening on a free port of this machine. */
export async function startServer(folder: string): Promise<TestServer> {
  const { db, close } = await openDatabase(folder);
  const app = await buildApp(await Studio.open(db));
  const address = await app.listen({ port: 0, host: '127.0.0.1' });
  return {
    address,
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
      await close();
    },
  };
}
