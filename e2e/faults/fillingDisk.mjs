// A disk that fills up. Loaded before the server (node --import): while the file DISK_FULL is there, nothing more can
// be written in the folder DISK_ROOT, as on a disk without space.
import fs from 'node:fs';
import { syncBuiltinESMExports } from 'node:module';
import { resolve, sep } from 'node:path';

const ROOT = resolve(process.env.DISK_ROOT ?? '') + sep;
const FULL = process.env.DISK_FULL ?? '';
const { existsSync, openSync, writeSync, closeSync } = fs;
const opened = new Set();

fs.openSync = (path, ...rest) => {
  const fd = openSync(path, ...rest);
  if (resolve(String(path)).startsWith(ROOT)) opened.add(fd);
  return fd;
};
fs.closeSync = (fd) => {
  opened.delete(fd);
  return closeSync(fd);
};
fs.writeSync = (fd, ...rest) => {
  if (opened.has(fd) && existsSync(FULL)) {
    throw Object.assign(new Error('ENOSPC: no space left on device, write'), { code: 'ENOSPC', errno: -28 });
  }
  return writeSync(fd, ...rest);
};
syncBuiltinESMExports();
