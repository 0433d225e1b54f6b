import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { EmbeddedDatabase } from './embedded';
import { EngineThread } from './engineThread';
import { lockFolder } from './folderLock';
import { migrate } from './migrate';
import type { OpenDatabase } from './openDatabase';
import { syncPath, syncTree } from './sync';

/** The data folder can't be opened as it is, and opening it anyway would lose something. */
export class FolderBroken extends Error {
  override readonly name = 'FolderBroken';
}

/** Files without which the engine takes a folder for empty, or for somebody else's, and would begin anew over it. */
const VITAL = ['PG_VERSION', 'global/pg_control', 'pg_wal', 'base'];

/**
 * Opens the database in a data folder, made if the folder is new, locked for this process and brought up to date.
 * @throws FolderInUse when another server has the folder
 * @throws FolderBroken when a part of it is missing: nothing is ever begun anew where something was
 */
export async function openFolder(folder: string): Promise<OpenDatabase> {
  makeFolder(folder);
  const lock = await lockFolder(folder);
  try {
    const database = join(folder, 'database');
    const marker = join(folder, 'studio.txt');
    if (!existsSync(database) && existsSync(marker)) {
      throw new FolderBroken(
        `The data folder ${folder} held a studio, but its database is gone. ${WAYS_BACK} ` +
          `To begin an empty studio there all the same, remove ${marker}.`,
      );
    }
    if (!existsSync(database)) await makeDatabase(database);
    refuseIncomplete(database);
    const db = new EmbeddedDatabase(folder, () => open(database), await open(database));
    await migrate(db);
    if (!existsSync(marker)) {
      writeFileSync(marker, 'A Warm Ladder studio is kept here: its database, and copies of it in kept/.\n');
      syncPath(marker);
      syncPath(folder);
    }
    const close = async () => {
      await db.close();
      await lock.release();
    };
    return { db, announce: (address) => lock.announce(address), close };
  } catch (error) {
    await lock.release();
    throw error;
  }
}

const WAYS_BACK =
  'Bring the missing part back, or begin in another folder (--data FOLDER) and take in a copy from kept/ or from a backup.';

function makeFolder(folder: string): void {
  try {
    mkdirSync(folder, { recursive: true });
  } catch (error) {
    throw new FolderBroken(`The data folder ${folder} could not be made: ${reasonOf(error)}.`);
  }
}

/**
 * Makes a database beside its place and moves it there whole, so that one cut short is made again and never opened.
 * It is made without forcing every file by itself; all of it is forced at once before it moves.
 */
async function makeDatabase(database: string): Promise<void> {
  const draft = `${database}.new`;
  rmSync(draft, { recursive: true, force: true });
  try {
    const engine = new EngineThread();
    try {
      await engine.make(draft);
    } finally {
      await engine.end();
    }
    syncTree(draft);
    renameSync(draft, database);
    syncPath(join(database, '..'));
  } catch (error) {
    throw new FolderBroken(`The database ${database} could not be made: ${reasonOf(error)}.`);
  }
}

function refuseIncomplete(database: string): void {
  const missing = VITAL.filter((part) => !existsSync(join(database, part)));
  if (missing.length > 0) {
    const parts = missing.join(' and ');
    throw new FolderBroken(
      `The database ${database} is not whole: ${parts} ${missing.length === 1 ? 'is' : 'are'} missing, of ${readdirSync(database).length} parts found. Nothing was changed. ${WAYS_BACK}`,
    );
  }
  const version = readFileSync(join(database, 'PG_VERSION'), 'utf8').trim();
  if (!/^\d+$/.test(version)) {
    throw new FolderBroken(
      `The database ${database} is damaged: its PG_VERSION is empty. Nothing was changed. ${WAYS_BACK}`,
    );
  }
}

async function open(database: string): Promise<EngineThread> {
  const engine = new EngineThread();
  try {
    await engine.open(database);
    return engine;
  } catch (error) {
    await engine.end();
    throw new FolderBroken(
      `The database ${database} can’t be opened (${reasonOf(error)}). Nothing was removed. ${WAYS_BACK}`,
      { cause: error },
    );
  }
}

const REASONS: Readonly<Record<string, string>> = {
  ENOSPC: 'there is no space left on the disk',
  EROFS: 'the disk can only be read',
  EACCES: 'there is no right to write there',
  EPERM: 'there is no right to write there',
  ENOTDIR: 'a part of its path is a file',
  EEXIST: 'a file stands in its place',
  EIO: 'the disk fails',
};

/** Numbers of the engine's own errors: WASI's. */
const ENGINE_REASONS: Readonly<Record<number, string>> = {
  51: 'ENOSPC',
  69: 'EROFS',
  2: 'EACCES',
  63: 'EPERM',
  29: 'EIO',
};

/** Why something on the disk failed, in words where there are words for it. */
export function reasonOf(error: unknown): string {
  const { code, errno, message } = (error ?? {}) as { code?: unknown; errno?: unknown; message?: unknown };
  const name = typeof code === 'string' ? code : ENGINE_REASONS[Number(errno)];
  const words = name === undefined ? undefined : REASONS[name];
  return words ?? String(message ?? error).replace(/[.\s]+$/, '');
}
