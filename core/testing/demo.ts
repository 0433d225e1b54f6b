import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Bundle, mergeBundles, parseBundle } from '../formats';

/** Files of the demo studio: the repertoire of the house, and who teaches what to whom in it. */
export const demoFiles = (): string[] =>
  ['house', 'demo'].flatMap((folder) => {
    const path = join(__dirname, '../..', folder);
    return readdirSync(path)
      .filter((file) => file.endsWith('.json'))
      .map((file) => join(path, file));
  });

/** The demo studio, as one bundle. */
export function demoBundle(): Bundle {
  const named = demoFiles().map((file) => {
    const parsed = parseBundle(readFileSync(file, 'utf8'));
    if (!parsed.ok) throw new Error(`${file} can't be read: ${parsed.problems[0]?.message}`);
    return { file, bundle: parsed.bundle };
  });
  return mergeBundles(named).bundle;
}
