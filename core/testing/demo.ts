import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Bundle, mergeBundles, parseBundle } from '../formats';

/** The demo studio, as one bundle. */
export function demoBundle(): Bundle {
  const folder = join(__dirname, '../../demo');
  const named = readdirSync(folder)
    .filter((file) => file.endsWith('.json'))
    .map((file) => {
      const parsed = parseBundle(readFileSync(join(folder, file), 'utf8'));
      if (!parsed.ok) throw new Error(`${file} can't be read: ${parsed.problems[0]?.message}`);
      return { file, bundle: parsed.bundle };
    });
  return mergeBundles(named).bundle;
}
