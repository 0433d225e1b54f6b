// What a view needs before it shows, as it is sent: compressed by the build, read back here, held to its bound.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/ensure.mjs';

/**
 * Kilobytes of JavaScript, compressed, before a view shows, and how: browsers ask for Brotli on this machine and behind
 * TLS. A class taught or rehearsed is a page of its own, opened on a phone, which asks a plain address in the house for gzip.
 */
const [DESK, PHONE] = [
  [250, 'br'],
  [170, 'gz'],
];
const VIEWS = [
  'class/ClassList',
  'class/ClassView',
  'repertoire/RepertoireView',
  'editor/EditorView',
  'script/ScriptView',
];

const dist = join(ROOT, 'web/dist');
const manifest = JSON.parse(readFileSync(join(dist, '.vite/manifest.json'), 'utf8'));

function kilobytes(packed, ...keys) {
  const files = new Set();
  const visit = (key) => {
    const chunk = manifest[key];
    if (!chunk || files.has(chunk.file)) return;
    files.add(chunk.file);
    for (const next of chunk.imports ?? []) visit(next);
  };
  keys.forEach(visit);
  return [...files].reduce((sum, file) => sum + readFileSync(join(dist, `${file}.${packed}`)).length, 0) / 1000;
}

const sizes = [
  ...VIEWS.map((view) => [view, DESK, 'index.html', `src/views/${view}.tsx`]),
  ['in the room', PHONE, 'room.html'],
].map(([view, [bound, packed], ...keys]) => [view, kilobytes(packed, ...keys), bound]);
for (const [view, size, bound] of sizes) console.log(`${view}: ${size.toFixed(0)} kB of at most ${bound}`);
if (sizes.some(([, size, bound]) => size > bound)) process.exit(1);
