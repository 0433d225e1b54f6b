// A disk that keeps only what was forced to it. Loaded before the server (node --import), it lets every call through
// and remembers what each would leave on a disk whose power goes: the content of a file once that file was synced, the
// names in a folder once that folder was. At the call it is told, it writes that disk to another folder and ends the
// process at once. With a seed, some of what was not yet forced has reached the disk too, as a real one's would.
//
//   DISK_ROOT   the data folder      DISK_OUT   where the disk is written
//   DISK_AFTER  calls until the cut  DISK_SEED  0: all that was not synced is lost

// A disk that keeps only what was forced to it. Loaded before the server (node --import), it lets every call through
// and remembers what each would leave on a disk whose power goes: the content of a file once that file was synced, the
// names in a folder once that folder was. At the call it is told, it writes that disk to another folder and ends the
// process at once. With a seed, some of what was not yet forced has reached the disk too, as a real one's would.
//
//   DISK_ROOT   the data folder      DISK_OUT   where the disk is written
//   DISK_AFTER  calls until the cut  DISK_SEED  0: all that was not synced is lost
import fs, { mkdirSync, readFileSync } from 'node:fs';
import { syncBuiltinESMExports } from 'node:module';
import { dirname, join, resolve, sep } from 'node:path';
import { isMainThread } from 'node:worker_threads';

const ROOT = resolve(process.env.DISK_ROOT ?? '');
const OUT = resolve(process.env.DISK_OUT ?? '');
const AFTER = Number(process.env.DISK_AFTER);
let seed = Number(process.env.DISK_SEED ?? 0);

const real = { ...fs };
const within = (path) => {
  const full = resolve(String(path));
  return full === ROOT || full.startsWith(ROOT + sep) ? full : null;
};

/** What a file is, whatever it is called: its content on the disk, and the calls that have not reached it. */
const made = (content = Buffer.alloc(0)) => ({ content, waiting: [] });
/** Names by path: what each is called now, and what the disk says. A folder is the word “folder”. */
const now = new Map();
const disk = new Map();
const opened = new Map();
/** Names that changed since their folder was synced. */
const moved = new Set();

function load(path) {
  for (const entry of real.readdirSync(path, { withFileTypes: true })) {
    const full = join(path, entry.name);
    if (entry.isDirectory()) {
      set(full, 'folder');
      load(full);
    } else if (entry.isFile()) set(full, made(readFileSync(full)));
  }
}
function set(path, file) {
  now.set(path, file);
  disk.set(path, file);
}
set(ROOT, 'folder');
mkdirSync(ROOT, { recursive: true });
load(ROOT);

function apply(file, { at, bytes, size }) {
  if (size !== undefined) {
    const kept = file.content.subarray(0, size);
    file.content = Buffer.concat([kept, Buffer.alloc(size - kept.length)]);
    return;
  }
  if (at + bytes.length > file.content.length) {
    file.content = Buffer.concat([file.content, Buffer.alloc(at + bytes.length - file.content.length)]);
  }
  bytes.copy(file.content, at);
}

const rename = (path, file) => {
  if (file === undefined) now.delete(path);
  else now.set(path, file);
  moved.add(path);
};
const toDisk = (path) => {
  const file = now.get(path);
  if (file === undefined) disk.delete(path);
  else disk.set(path, file);
  moved.delete(path);
};

function chance() {
  seed = (seed * 1664525 + 1013904223) % 4294967296;
  return seed / 4294967296;
}

let calls = 0;
function count() {
  if (isMainThread) return;
  calls += 1;
  if (calls < AFTER) return;
  if (seed > 0) {
    for (const path of [...moved]) if (chance() < 0.5) toDisk(path);
    for (const file of new Set(now.values())) {
      if (file !== 'folder') for (const call of file.waiting) if (chance() < 0.5) apply(file, call);
    }
  }
  real.mkdirSync(OUT, { recursive: true });
  for (const path of [...disk.keys()].sort()) {
    const file = disk.get(path);
    const out = OUT + path.slice(ROOT.length);
    // A name in a folder that is not on the disk leads nowhere.
    if (!real.existsSync(dirname(out))) continue;
    if (file === 'folder') real.mkdirSync(out, { recursive: true });
    else real.writeFileSync(out, file.content);
  }
  process.kill(process.pid, 'SIGKILL');
}

/** Puts a watcher before a call; what it says of a path or a number outside the folder is nothing. */
const before = (name, watch) => {
  fs[name] = (...args) => {
    const after = watch(...args);
    if (after !== undefined) count();
    const result = real[name](...args);
    after?.(result);
    return result;
  };
};
const done = () => undefined;
const fileAt = (path) => {
  const file = now.get(path);
  return file === 'folder' ? undefined : file;
};

before('openSync', (path, flags = 'r') => {
  const full = within(path);
  if (!full) return undefined;
  const creates = typeof flags === 'number' ? (flags & fs.constants.O_CREAT) !== 0 : /[wa]/.test(flags);
  const clears = typeof flags === 'number' ? (flags & fs.constants.O_TRUNC) !== 0 : /w/.test(flags);
  if (creates && !now.has(full)) rename(full, made());
  if (clears) fileAt(full)?.waiting.push({ size: 0 });
  return (fd) => opened.set(fd, { path: full, file: now.get(full) });
});
before('closeSync', (fd) => (opened.delete(fd) ? done : undefined));
before('writeSync', (fd, data, offset, length, position) => {
  const file = opened.get(fd)?.file;
  if (!file || file === 'folder' || typeof data === 'string') return undefined;
  const bytes = Buffer.from(new Uint8Array(data.buffer, data.byteOffset + offset, length));
  file.waiting.push({ at: position, bytes });
  return done;
});
before('ftruncateSync', (fd, size = 0) => opened.get(fd)?.file.waiting?.push({ size }) && done);
before('truncateSync', (path, size = 0) => fileAt(within(path))?.waiting.push({ size }) && done);
before('writeFileSync', (path, data) => {
  const full = typeof path === 'string' ? within(path) : null;
  if (!full) return undefined;
  if (!now.has(full)) rename(full, made());
  fileAt(full)?.waiting.push({ size: 0 }, { at: 0, bytes: Buffer.from(data) });
  return done;
});
before('fsyncSync', (fd) => {
  const found = opened.get(fd);
  if (!found) return undefined;
  return () => {
    if (found.file === 'folder') {
      for (const path of [...moved]) if (dirname(path) === found.path) toDisk(path);
      return;
    }
    for (const call of found.file.waiting.splice(0)) apply(found.file, call);
  };
});
before('renameSync', (from, to) => {
  const [a, b] = [within(from), within(to)];
  if (!a || !b) return undefined;
  return () => {
    for (const [path, file] of [...now]) {
      if (path !== a && !path.startsWith(a + sep)) continue;
      rename(path, undefined);
      rename(b + path.slice(a.length), file);
      // What lies in a folder moves with it: only the folder's own name has yet to be forced.
      if (path !== a) {
        disk.has(path) && disk.set(b + path.slice(a.length), file);
        moved.delete(b + path.slice(a.length));
      }
    }
  };
});
before('linkSync', (from, to) => {
  const [a, b] = [within(from), within(to)];
  return a && b ? () => rename(b, now.get(a)) : undefined;
});
before('unlinkSync', (path) => {
  const full = within(path);
  return full ? () => rename(full, undefined) : undefined;
});
before('rmSync', (path) => {
  const full = within(path);
  if (!full) return undefined;
  return () => {
    for (const each of [...now.keys()]) if (each === full || each.startsWith(full + sep)) rename(each, undefined);
  };
});
before('rmdirSync', (path) => {
  const full = within(path);
  return full ? () => rename(full, undefined) : undefined;
});
before('mkdirSync', (path) => {
  const full = within(path);
  return full && !now.has(full) ? () => rename(full, 'folder') : undefined;
});
// The database writes from its own thread: its disk is the one whose power goes.
if (!isMainThread) syncBuiltinESMExports();
