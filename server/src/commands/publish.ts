import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { packageJsonSchema } from '@warm-ladder/core/package';
import { measuresTable, rulesTable } from '@warm-ladder/core/review';
import { bundleJsonSchema, fieldLimitsSource } from '@warm-ladder/core/schemas';
import { seriesTable } from '@warm-ladder/core/series';
import { voiceTable } from '@warm-ladder/core/voice';
import { openApi } from '@warm-ladder/core/wire';
import { sayError } from '../plainLine';

const ROOT = join(import.meta.dirname, '../..');

/** A page with the text between two marks of a name replaced. */
function between(page: string, name: string, text: string): string {
  const [open, close] = [`<!-- ${name} -->`, `<!-- /${name} -->`];
  const [from, to] = [page.indexOf(open), page.indexOf(close)];
  if (from < 0 || to < from) throw new Error(`A page of the docs: expected ${open} and ${close}`);
  return `${page.slice(0, from + open.length)}\n\n${text}\n\n${page.slice(to)}`;
}

/** What others have from the core, by file: its schemas, the interface, the tables of the review, the bounds of fields. */
const PUBLISHED: Readonly<Record<string, (old: string) => string>> = {
  'docs/bundle.schema.json': () => `${JSON.stringify(bundleJsonSchema(), null, 2)}\n`,
  'docs/package.schema.json': () => `${JSON.stringify(packageJsonSchema(), null, 2)}\n`,
  'docs/openapi.json': () => `${JSON.stringify(openApi(), null, 2)}\n`,
  'docs/voice.md': (old) => between(old, 'voice', voiceTable()),
  'docs/series.md': (old) => between(old, 'series', seriesTable()),
  'docs/review.md': (old) => between(between(old, 'rules', rulesTable()), 'measures', measuresTable()),
  'web/src/parts/fields/limits.ts': fieldLimitsSource,
};

// With --check nothing is written: what is published must be the core's.
for (const [name, make] of Object.entries(PUBLISHED)) {
  const file = join(ROOT, name);
  const old = readFileSync(file, 'utf8');
  const text = make(old);
  if (!process.argv.includes('--check')) writeFileSync(file, text);
  else if (old !== text) {
    sayError(`${name} is out of date; run npm run schema.`);
    process.exitCode = 1;
  }
}
