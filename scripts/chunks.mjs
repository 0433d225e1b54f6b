// What a view needs before it shows, as it is sent: compressed by the build, read back here, held to its bound.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/ensure.mjs';

/** Kilobytes of JavaScript, compressed, before a view shows. */
const BOUND = 250;
const VIEWS = [
  'class/ClassList',
  'class/ClassView',
  'repertoire/RepertoireView',
  'editor/EditorView',
  'script/ScriptView',
];

const dist = join(ROOT, 'web/dist');
const manifest = JSON.parse(readFileSync(join(dist, '.vite/manifest.json'), 'utf8'));

function kilobytes(view) {
  const files = new Set();
  const visit = (key) => {
    const chunk = manifest[key];
    if (!chunk || files.has(chunk.file)) return;
    files.add(chunk.file);
    for (const next of chunk.imports ?? []) visit(next);
  };
  visit('index.html');
  visit(`src/views/${view}.tsx`);
  return [...files].reduce((sum, file) => sum + readFileSync(join(dist, `${file}.gz`)).length, 0) / 1000;
}

const sizes = VIEWS.map((view) => [view, kilobytes(view)]);
for (const [view, size] of sizes) console.log(`${view}: ${size.toFixed(0)} kB of at most ${BOUND}`);
if (sizes.some(([, size]) => size > BOUND)) process.exit(1);
