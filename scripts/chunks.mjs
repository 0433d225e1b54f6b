// What a view needs before it shows, as it is sent: compressed by the build, read back here, held to its bound.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/ensure.mjs';

/** Kilobytes of JavaScript, compressed, before a view shows; a rehearsal is a page of its own, opened on a phone. */
const [DESK, PHONE] = [250, 150];
const VIEWS = [
  'class/ClassList',
  'class/ClassView',
  'repertoire/RepertoireView',
  'editor/EditorView',
  'script/ScriptView',
];

const dist = join(ROOT, 'web/dist');
const manifest = JSON.parse(readFileSync(join(dist, '.vite/manifest.json'), 'utf8'));

function kilobytes(...keys) {
  const files = new Set();
  const visit = (key) => {
    const chunk = manifest[key];
    if (!chunk || files.has(chunk.file)) return;
    files.add(chunk.file);
    for (const next of chunk.imports ?? []) visit(next);
  };
  keys.forEach(visit);
  return [...files].reduce((sum, file) => sum + readFileSync(join(dist, `${file}.gz`)).length, 0) / 1000;
}

const sizes = [
  ...VIEWS.map((view) => [view, kilobytes('index.html', `src/views/${view}.tsx`), DESK]),
  ['rehearsal', kilobytes('rehearse.html'), PHONE],
];
for (const [view, size, bound] of sizes) console.log(`${view}: ${size.toFixed(0)} kB of at most ${bound}`);
if (sizes.some(([, size, bound]) => size > bound)) process.exit(1);
