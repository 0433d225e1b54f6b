import { randomUUID } from 'node:crypto';
import { existsSync, linkSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { connect, createServer, type Server } from 'node:net';
import { hostname, tmpdir } from 'node:os';
import { join } from 'node:path';

/** Who holds a data folder, as its newest lock file says. */
interface Holder {
  readonly token: string;
  readonly pid: number;
  readonly host: string;
  /** Tells one start of a machine from another, where the system says it; containers of one machine share it. */
  readonly boot: string | null;
  /** Whether the holder listens on a socket in the folder: then that tells whether it lives, and nothing else does. */
  readonly socket: boolean;
  /** Where the server answers, once it does. */
  readonly address?: string;
}

/** The data folder is another server's. */
export class FolderInUse extends Error {
  constructor(folder: string, { pid, host, address }: Holder) {
    const who = `process ${pid} on ${host}${address ? `, answering at ${address}` : ''}`;
    super(
      `The data folder ${folder} is in use by another Warm Ladder server (${who}). ` +
        'Stop that one first, or start this one with another folder: --data FOLDER.',
    );
    this.name = 'FolderInUse';
  }
}

export interface FolderLock {
  /** Writes where this server answers into its lock, for commands that look for it. */
  readonly announce: (address: string) => void;
  readonly release: () => Promise<void>;
}

/** Milliseconds between two signs of life, for folders that can hold no socket. */
const BEAT = 2_000;
/** Milliseconds a lock is watched for a sign of life: three beats and some. */
const WATCH = 7_000;
/** Longest path of a socket, in bytes, on the narrowest system (macOS). */
const LONGEST_SOCKET_PATH = 103;
/** Takeovers tried while others start at the same moment. */
const TRIES = 20;

const LOCK = /^lock\.(\d+)$/;
const lockFile = (folder: string, turn: number): string => join(folder, `lock.${turn}`);
const beatFile = (folder: string, token: string): string => join(folder, `lock-${token}.beat`);

const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

function bootId(): string | null {
  try {
    return readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim();
  } catch {
    return null;
  }
}

/** The newest turn that was taken: 0 before the first. */
function newestTurn(folder: string): number {
  return Math.max(0, ...readdirSync(folder).flatMap((name) => (LOCK.test(name) ? Number(LOCK.exec(name)?.[1]) : [])));
}

/** The holder of a turn; `null` where the lock can't be read, as after a crash in the middle of writing it. */
async function readHolder(folder: string, turn: number): Promise<Holder | null> {
  // One being written this moment is whole the next.
  for (let tries = 0; tries < 5; tries++) {
    try {
      const read: unknown = JSON.parse(readFileSync(lockFile(folder, turn), 'utf8'));
      if (typeof read === 'object' && read !== null && 'token' in read && typeof read.token === 'string') {
        return read as Holder;
      }
    } catch {
      // Read again below.
    }
    await pause(20);
  }
  return null;
}

/** A path for the socket of a token: in the folder, or through a short name where the folder's own is too long. */
function socketPath(folder: string, token: string): { path: string; remove: () => void } {
  if (process.platform === 'win32') return { path: `\\\\.\\pipe\\warm-ladder-${token}`, remove: () => undefined };
  const name = `lock-${token}.sock`;
  const path = join(folder, name);
  if (Buffer.byteLength(path) <= LONGEST_SOCKET_PATH) return { path, remove: () => undefined };
  const short = join(tmpdir(), `wl-${randomUUID().slice(0, 8)}`);
  symlinkSync(folder, short);
  return { path: join(short, name), remove: () => rmSync(short, { force: true }) };
}

/** Listens for life: the system closes it whenever and however the process ends. `null` where no socket can be. */
function listen(folder: string, token: string): Promise<Server | null> {
  const { path, remove } = socketPath(folder, token);
  return new Promise((resolve) => {
    const server = createServer((socket) => socket.end());
    server.once('error', () => resolve(null));
    server.listen(path, () => resolve(server));
  }).finally(remove) as Promise<Server | null>;
}

/** Whether somebody listens on the socket of a token. */
function answers(folder: string, token: string): Promise<boolean> {
  const { path, remove } = socketPath(folder, token);
  return new Promise<boolean>((resolve) => {
    const socket = connect(path);
    socket.once('connect', () => {
      socket.destroy();
      resolve(true);
    });
    socket.once('error', ({ code }: NodeJS.ErrnoException) => {
      // Refused or gone: nobody. Anything else (no right to ask) is no proof of death.
      resolve(code !== 'ECONNREFUSED' && code !== 'ENOENT' && code !== 'ENOTSOCK');
    });
  }).finally(remove);
}

/** Whether a lock shows a sign of life while it is watched. */
async function showsLife(folder: string, token: string): Promise<boolean> {
  // Its content, not its time: a network folder answers for the time from memory.
  const read = () => {
    try {
      return readFileSync(beatFile(folder, token), 'utf8');
    } catch {
      return '';
    }
  };
  const first = read();
  for (let waited = 0; waited < WATCH; waited += BEAT / 4) {
    await pause(BEAT / 4);
    if (read() !== first) return true;
  }
  return false;
}

/**
 * On this machine the socket decides, in whatever container or namespace its holder lives. A holder on another
 * machine (a network folder) can't be asked through a socket, so it is watched.
 */
async function isAlive(folder: string, { token, socket, host, boot }: Holder): Promise<boolean> {
  const here = boot === null ? host === hostname() : boot === bootId();
  if (socket && here) return answers(folder, token);
  if (socket && host === hostname()) return false;
  return showsLife(folder, token);
}

/**
 * Takes the data folder for this process. Two servers on one folder would ruin the database, and the database itself
 * does not prevent it. Each holder takes the next turn, a numbered file that only one can make; the newest is never
 * removed, so that a slow starter can't take a turn that is over. A holder whose process is gone holds nothing.
 * @throws FolderInUse when a living process holds it, in this container or another, on this machine or another
 */
export async function lockFolder(folder: string): Promise<FolderLock> {
  const token = randomUUID().slice(0, 8);
  const server = await listen(folder, token);
  writeFileSync(beatFile(folder, token), randomUUID());
  let beating: Promise<void> = Promise.resolve();
  const pulse = setInterval(() => {
    // A slow disk holds up nobody, and a full one is said where something is to be kept, not by a sign of life.
    beating = beating.then(() => writeFile(beatFile(folder, token), randomUUID())).catch(() => undefined);
  }, BEAT).unref();
  server?.unref();
  const letGo = async () => {
    clearInterval(pulse);
    await beating;
    rmSync(beatFile(folder, token), { force: true });
    await new Promise((resolve) => (server ? server.close(resolve) : resolve(null)));
    rmSync(join(folder, `lock-${token}.sock`), { force: true });
  };
  const own: Holder = { token, pid: process.pid, host: hostname(), boot: bootId(), socket: server !== null };
  try {
    for (let tries = 0; tries < TRIES; tries++) {
      const newest = newestTurn(folder);
      const holder = newest > 0 ? await readHolder(folder, newest) : null;
      if (holder && (await isAlive(folder, holder))) throw new FolderInUse(folder, holder);
      const turn = newest + 1;
      if (!makeLock(folder, turn, own) || newestTurn(folder) !== turn) continue;
      await sweep(folder, turn, token);
      return {
        announce: (address) => writeFileSync(lockFile(folder, turn), JSON.stringify({ ...own, address })),
        release: letGo,
      };
    }
    throw new Error(`The data folder ${folder} could not be locked; other servers keep starting on it.`);
  } catch (error) {
    await letGo();
    throw error;
  }
}

/** Makes a turn's file, whole at once; `false` when another process made it first. */
function makeLock(folder: string, turn: number, own: Holder): boolean {
  const draft = join(folder, `lock-${own.token}.draft`);
  writeFileSync(draft, JSON.stringify(own));
  try {
    linkSync(draft, lockFile(folder, turn));
    return true;
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code === 'EEXIST') return false;
    // A file system without links: made empty, and whole a moment later.
    return makePlainLock(folder, turn, own);
  } finally {
    rmSync(draft, { force: true });
  }
}

function makePlainLock(folder: string, turn: number, own: Holder): boolean {
  try {
    writeFileSync(lockFile(folder, turn), JSON.stringify(own), { flag: 'wx' });
    return true;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false;
    throw error;
  }
}

/** Removes what holders that are gone have left. A starter still waiting for its turn is left alone. */
async function sweep(folder: string, turn: number, token: string): Promise<void> {
  for (const name of readdirSync(folder)) {
    const left = /^lock-(\w+)\.sock$/.exec(name)?.[1];
    if (LOCK.test(name) && Number(LOCK.exec(name)?.[1]) < turn) {
      rmSync(join(folder, name), { recursive: true, force: true });
    } else if (left && left !== token && !(await answers(folder, left))) {
      rmSync(join(folder, name), { force: true });
      rmSync(beatFile(folder, left), { force: true });
    }
  }
}

/** Where the server that holds a folder answers; `null` when none does. */
export async function addressOf(folder: string): Promise<string | null> {
  if (!existsSync(folder)) return null;
  const turn = newestTurn(folder);
  const holder = turn > 0 ? await readHolder(folder, turn) : null;
  if (!holder?.address || !(await isAlive(folder, holder))) return null;
  return holder.address;
}
