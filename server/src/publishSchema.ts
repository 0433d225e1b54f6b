import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bundleJsonSchema } from '@warm-ladder/core/formats';

const FILE = join(import.meta.dirname, '../../docs/bundle.schema.json');
const text = `${JSON.stringify(bundleJsonSchema(), null, 2)}\n`;

// With --check nothing is written: the published schema must be the core's.
if (process.argv.includes('--check')) {
  if (readFileSync(FILE, 'utf8') !== text) {
    console.error('docs/bundle.schema.json is out of date; run npm run schema.');
    process.exitCode = 1;
  }
} else writeFileSync(FILE, text);
