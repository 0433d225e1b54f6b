import { createHash } from 'node:crypto';
import type { Digest, PackageFiles } from '@warm-ladder/core/package';
import { strToU8, zipSync } from 'fflate';

/** SHA-256 of a text in hexadecimal. */
export const digest: Digest = (text) => createHash('sha256').update(text, 'utf8').digest('hex');

/** The day every file of a package is dated: the same series packs to the same bytes. */
const DATED = new Date(2026, 0, 1);

/** The files of a package as one zip. */
export const zipped = (files: PackageFiles): Buffer =>
  Buffer.from(
    zipSync(Object.fromEntries(Object.entries(files).map(([path, text]) => [path, strToU8(text)])), { mtime: DATED }),
  );
