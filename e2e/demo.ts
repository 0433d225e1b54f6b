import { readFileSync } from 'node:fs';
import { type Bundle, mergeBundles, parseBundle } from '@warm-ladder/core/formats';
import { DEMO } from './studio';

/** The demo's bundles as one. */
export function demoBundle(): Bundle {
  const files = DEMO.map((file) => {
    const parsed = parseBundle(readFileSync(file, 'utf8'));
    if (!parsed.ok) throw new Error(`${file}: ${parsed.problems[0]?.message}`);
    return { file, bundle: parsed.bundle };
  });
  return mergeBundles(files).bundle;
}

/** The demo's repertoire alone, as a file: its exercises, and the props and positions they name. */
export function repertoireFile(): Bundle {
  const { format, version, method, positions, props, exercises } = demoBundle();
  return { format, version, method, positions, props, exercises };
}
