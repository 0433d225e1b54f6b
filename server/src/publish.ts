import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { measuresTable, rulesTable } from '@warm-ladder/core/review';
import { bundleJsonSchema } from '@warm-ladder/core/schemas';
import { voiceTable } from '@warm-ladder/core/voice';
import { openApi } from '@warm-ladder/core/wire';

const DOCS = join(import.meta.dirname, '../../docs');

/** A page with the text between two marks of a name replaced. */
function between(page: string, name: string, text: string): string {
  const [open, close] = [`<!-- ${name} -->`, `<!-- /${name} -->`];
  const [from, to] = [page.indexOf(open), page.indexOf(close)];
  if (from < 0 || to < from) throw new Error(`A page of the docs: expected ${open} and ${close}`);
  return `${page.slice(0, from + open.length)}\n\n${text}\n\n${page.slice(to)}`;
}

/** What the docs have from the core, by file: the schema of the portable file, the interface, the tables of the review. */
const PUBLISHED: Readonly<Record<string, (old: string) => string>> = {
  'bundle.schema.json': () => `${JSON.stringify(bundleJsonSchema(), null, 2)}\n`,
  'openapi.json': () => `${JSON.stringify(openApi(), null, 2)}\n`,
  'voice.md': (old) => between(old, 'voice', voiceTable()),
  'review.md': (old) => between(between(old, 'rules', rulesTable()), 'measures', measuresTable()),
};

// With --check nothing is written: what is published must be the core's.
for (const [name, make] of Object.entries(PUBLISHED)) {
  const file = join(DOCS, name);
  const old = readFileSync(file, 'utf8');
  const text = make(old);
  if (!process.argv.includes('--check')) writeFileSync(file, text);
  else if (old !== text) {
    console.error(`docs/${name} is out of date; run npm run schema.`);
    process.exitCode = 1;
  }
}
