import { existsSync, readdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Bundle, mergeBundles, parseBundle } from '../formats';
import { frozen } from './frozen';

/** Files of the demo studio: the repertoire of the house, and who teaches what to whom in it. */
export const demoFiles = (): string[] =>
  ['house', 'demo'].flatMap((folder) => {
    const path = join(__dirname, '../..', folder);
    return readdirSync(path)
      .filter((file) => file.endsWith('.json'))
      .map((file) => join(path, file));
  });

/** Where one test file leaves the demo studio for the next: reading and checking its files takes most of a second. */
const KEPT = process.env.RUN_FOLDER && join(process.env.RUN_FOLDER, 'demo.json');

/** The demo studio, as one bundle in which nothing can be changed. */
export function demoBundle(): Bundle {
  if (!KEPT) return frozen(readDemo());
  if (!existsSync(KEPT)) {
    const own = `${KEPT}.${process.pid}`;
    writeFileSync(own, JSON.stringify(readDemo()));
    renameSync(own, KEPT);
  }
  return frozen(JSON.parse(readFileSync(KEPT, 'utf8')));
}

function readDemo(): Bundle {
  const named = demoFiles().map((file) => {
    const parsed = parseBundle(readFileSync(file, 'utf8'));
    if (!parsed.ok) throw new Error(`${file} can't be read: ${parsed.problems[0]?.message}`);
    return { file, bundle: parsed.bundle };
  });
  return mergeBundles(named).bundle;
}
