import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { demoBundle } from '../demo';
import { BROWSER, ROOT, startStudio } from '../studio';
import { report } from './report';
import { sixtyBlocks } from './sixty';
import { figureShown } from './untilShown';

interface Chunk {
  readonly file: string;
  readonly imports?: readonly string[];
  readonly isEntry?: boolean;
}

/** JavaScript that a view needs before it shows: the entry, the view, and all they import. */
function firstView(view: string): number {
  const manifest: Record<string, Chunk> = JSON.parse(readFileSync(join(ROOT, 'web/dist/.vite/manifest.json'), 'utf8'));
  const files = new Set<string>();
  const visit = (key: string) => {
    const chunk = manifest[key];
    if (!chunk || files.has(chunk.file)) return;
    files.add(chunk.file);
    for (const next of chunk.imports ?? []) visit(next);
  };
  visit('index.html');
  visit(view);
  const bytes = [...files].map((file) => gzipSync(readFileSync(join(ROOT, 'web/dist', file))).length);
  return bytes.reduce((sum, each) => sum + each, 0) / 1000;
}

for (const [name, view] of [
  ['the list of classes', 'src/views/class/ClassList.tsx'],
  ['a class', 'src/views/class/ClassView.tsx'],
] as const) {
  report(`JavaScript before ${name}, gzipped`, firstView(view), 'kB', 250);
}

const studio = await startStudio();
const plan = sixtyBlocks(demoBundle());
await fetch(`${studio.address}/api/classes/sixty`, {
  method: 'PUT',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({ version: 0, value: plan }),
});
const browser = await chromium.launch(BROWSER);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`${studio.address}/class/sixty`);
const reps = page.getByLabel('Reps of block 30', { exact: true });
await page.locator('#block-29').scrollIntoViewIfNeeded();
await reps.fill('5');

await figureShown('typing in a 60-block class, length and findings shown', 50, page, (turn) =>
  reps.fill(String(4 + (turn % 2))),
);

await page.locator('#block-20').focus();
await page.evaluate(() => window.scrollTo(0, 0));
const tread = await page.locator('[data-grip="21"]').first().boundingBox();
if (!tread) throw new Error('the stairs are not drawn');
await page.mouse.move(tread.x + 1, tread.y + 8);
await page.mouse.down();
await figureShown('dragging in a 60-block class, length and findings shown', 50, page, (turn) =>
  page.mouse.move(tread.x + (turn % 2 ? 30 : 90), tread.y + 8),
);
await page.mouse.up();

await fetch(`${studio.address}/api/classes/forty`, {
  method: 'PUT',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({
    version: 0,
    value: { ...plan, id: 'forty', name: 'Forty', blocks: plan.blocks.slice(0, 40) },
  }),
});
await page.goto(`${studio.address}/script/forty`);
const spoken = page.getByRole('button', { name: /, change what is said$/ });
await spoken.nth(20).click();
await page.getByRole('textbox', { name: /^What is said instead of/ }).waitFor();
await figureShown(
  'a word typed in the script of 40 blocks, fit and findings shown',
  50,
  page,
  () => page.keyboard.insertText(' x'),
  'main header',
);

await browser.close();
await studio.end();
