import { closeSync, fsyncSync, openSync, readdirSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** Forces one file, or the names in one folder, to the disk. */
export function syncPath(path: string): void {
  let opened: number;
  try {
    opened = openSync(path, 'r');
  } catch (error) {
    // Windows opens no folders, and keeps names by itself.
    if ((error as NodeJS.ErrnoException).code === 'EISDIR' || process.platform === 'win32') return;
    throw error;
  }
  try {
    fsyncSync(opened);
  } finally {
    closeSync(opened);
  }
}

/** Forces a folder with everything in it to the disk, and its own name. */
export function syncTree(folder: string): void {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) syncTree(path);
    else if (entry.isFile()) syncPath(path);
  }
  syncPath(folder);
  syncPath(dirname(folder));
}
