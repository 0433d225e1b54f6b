import { randomUUID } from 'node:crypto';
import { readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const LOCK_FILE = 'server.lock';

interface Holder {
  readonly pid: number;
  /** When that process began, as the system counts it: tells a reused process number from the holder. */
  readonly began: string | null;
  readonly token: string;
}

/** The data folder is another server's. */
export class FolderInUse extends Error {
  constructor(folder: string, pid: number) {
    super(
      `The data folder ${folder} is in use by another Warm Ladder server (process ${pid}). ` +
        'Stop that one first, or start this one with another folder: --data FOLDER.',
    );
    this.name = 'FolderInUse';
  }
}

/** Start time of a process in clock ticks since boot, where the system tells it (Linux); otherwise `null`. */
function beganAt(pid: number): string | null {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // Field 22, counted after the command's closing bracket, which may itself hold spaces.
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? null;
  } catch {
    return null;
  }
}

function isAlive({ pid, began }: Holder): boolean {
  try {
    process.kill(pid, 0);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') return false;
  }
  return began === null || beganAt(pid) === began;
}

function read(file: string): Holder | null {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as Holder;
  } catch {
    return null;
  }
}

/**
 * Takes the data folder for this process. Two processes on one folder would ruin the database, and the database
 * itself does not prevent it. A lock whose process is gone is taken over.
 * @returns a function that gives the folder back
 * @throws FolderInUse when a living process holds it
 */
export function lockFolder(folder: string): () => void {
  const file = join(folder, LOCK_FILE);
  const own: Holder = { pid: process.pid, began: beganAt(process.pid), token: randomUUID() };
  for (let tries = 0; tries < 5; tries++) {
    try {
      writeFileSync(file, JSON.stringify(own), { flag: 'wx' });
      return () => {
        if (read(file)?.token === own.token) rmSync(file, { force: true });
      };
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
    const holder = read(file);
    if (holder && isAlive(holder)) throw new FolderInUse(folder, holder.pid);
    setAside(file, holder, own);
  }
  throw new FolderInUse(folder, read(file)?.pid ?? 0);
}

/** Moves a dead lock away in one step, so that of two servers starting at once only one takes the folder over. */
function setAside(file: string, dead: Holder | null, own: Holder): void {
  const aside = `${file}.${own.token}`;
  try {
    renameSync(file, aside);
  } catch {
    return;
  }
  const moved = read(aside);
  if (moved && moved.token !== dead?.token && isAlive(moved)) renameSync(aside, file);
  else rmSync(aside, { force: true });
}
