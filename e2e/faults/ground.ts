import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { newDatabase } from '../database';
import { type LaunchedServer, launch, newFolder } from '../studio';

/** What a studio stands on: the embedded database in its folder, or a PostgreSQL server. */
export interface Ground {
  /** Said behind what was tried. */
  readonly words: string;
  readonly postgres: boolean;
}
export const EMBEDDED: Ground = { words: '', postgres: false };
export const POSTGRES: Ground = { words: ', on PostgreSQL', postgres: true };
/** Where a PostgreSQL server is installed. */
export const HAS_POSTGRES = Boolean(process.env.TEST_DATABASE_URL);

/**
 * A studio of its own on some ground: a server on it that can be begun again and again, and how to be rid of it. On
 * PostgreSQL there may be several, each by its number.
 */
export async function grounded({
  postgres,
}: Ground): Promise<{ readonly start: (n?: number) => Promise<LaunchedServer>; readonly end: () => void }> {
  const folder = newFolder();
  const url = postgres ? await newDatabase() : null;
  return {
    start: (n = 0) => launch(join(folder, `data-${n}`), { bare: true, env: url === null ? {} : { DATABASE_URL: url } }),
    end: () => rmSync(folder, { recursive: true, force: true }),
  };
}
