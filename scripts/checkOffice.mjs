// Part of npm run check:long: text documents opened by an office program that is not their writer, word for word.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensureOffice, ensurePackages, ROOT } from './lib/ensure.mjs';

ensurePackages();
ensureBuild();
const office = ensureOffice();
if (!office) {
  console.log('text documents in an office program: not run, there is none and none could be installed');
  process.exit(0);
}
const files = ['house', 'demo'].flatMap((folder) =>
  readdirSync(join(ROOT, folder))
    .filter((name) => name.endsWith('.json'))
    .map((name) => join(ROOT, folder, name)),
);
const script = (...args) =>
  spawnSync(process.execPath, [join(ROOT, 'server/dist/script.js'), ...files, ...args], { maxBuffer: 2 ** 26 });
const folder = mkdtempSync(join(tmpdir(), 'warm-ladder-office-'));
let failed = 0;
for (const id of ['choir-first-draft', 'night-landing', 'rowers-sixty']) {
  const document = join(folder, `${id}.docx`);
  script('--class', id, '--as', 'docx', '--out', document);
  const opened = spawnSync(
    office,
    ['--headless', '--convert-to', 'txt:Text (encoded):UTF8', '--outdir', folder, document],
    {
      encoding: 'utf8',
      env: { ...process.env, HOME: folder },
    },
  );
  // That it does without Java says nothing of the document.
  const told = `${opened.stdout}${opened.stderr}`.split('\n').filter((line) => !/java/i.test(line));
  const complaint = told.find((line) => /warn|error|corrupt/i.test(line));
  const words = (text) => text.replace(/\s+/g, ' ');
  const text = words(readFileSync(join(folder, `${id}.txt`), 'utf8'));
  const { sections } = JSON.parse(String(script('--class', id).stdout));
  const said = sections.flatMap(({ lines }) =>
    lines.filter((line) => line.said).map((line) => words(line.text).trim()),
  );
  const lost = said.filter((line) => !text.includes(line));
  if (opened.status !== 0 || complaint || lost.length > 0) {
    failed += 1;
    console.error(`${id}: ${complaint ?? `${lost.length} lines lost`}`, lost.slice(0, 3));
  } else console.log(`${id}: opened, ${said.length} lines the same`);
}
rmSync(folder, { recursive: true, force: true });
process.exit(failed === 0 ? 0 : 1);
