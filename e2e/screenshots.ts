import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { emptyBundle } from '@warm-ladder/core/formats';
import { BROWSER, ROOT, startStudio } from './studio';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** Each main view as the demo shows it: its file, its address, its window, and what to wait for. */
const SHOTS: ReadonlyArray<{
  readonly name: string;
  readonly path: string;
  readonly size?: typeof DESK;
  readonly print?: boolean;
  readonly before?: (page: Page) => Promise<unknown>;
}> = [
  { name: 'repertoire', path: '/repertoire' },
  { name: 'ladder', path: '/repertoire/leg-lower' },
  { name: 'compare', path: '/compare?rungs=leg-lower/bent,leg-lower/straight,leg-lower/double-straight' },
  { name: 'editor', path: '/edit/leg-lower/straight' },
  { name: 'audience', path: '/audiences/returning-rowers' },
  { name: 'method', path: '/method' },
  { name: 'classes', path: '/class' },
  { name: 'class', path: '/class/choir-first-draft' },
  {
    name: 'propose',
    path: '/propose',
    before: async (page) => {
      await page.getByRole('button', { name: 'Propose three classes' }).click();
      await page.getByRole('button', { name: 'Take this class' }).first().waitFor();
    },
  },
  {
    name: 'add',
    path: '/class/night-landing',
    before: async (page) => {
      await page.keyboard.press('a');
      await page.getByRole('region', { name: 'Add from the repertoire' }).getByRole('listitem').nth(1).hover();
    },
  },
  {
    name: 'fixes',
    path: '/class/choir-first-draft',
    before: async (page) => {
      await page.getByRole('button', { name: 'How to mend it' }).first().click();
      await page.getByRole('list', { name: 'Ways to mend it' }).getByRole('button').first().hover();
    },
  },
  {
    name: 'mend',
    path: '/class/choir-first-draft',
    before: async (page) => {
      await page.getByRole('button', { name: 'Mend all' }).click();
      await page.getByRole('button', { name: 'Take it all' }).waitFor();
    },
  },
  { name: 'room-card', path: '/room/night-landing' },
  {
    name: 'instead',
    path: '/class/choir-first-draft',
    before: (page) => page.getByRole('button', { name: 'Swap block 6' }).click(),
  },
  { name: 'script', path: '/script/night-landing' },
  { name: 'script-phone', path: '/script/night-landing', size: PHONE },
  { name: 'script-print', path: '/script/night-landing', size: { width: 794, height: 1123 }, print: true },
  { name: 'series', path: '/series' },
  {
    name: 'ways-back',
    path: '/class',
    before: async (page) => {
      await page.getByRole('button', { name: 'Studio', exact: true }).click();
      await page.getByRole('menuitem', { name: 'Ways back…' }).click();
      await page.getByRole('list', { name: 'Copies' }).waitFor();
    },
  },
];

const studio = await startStudio();
// Copies to be shown: one before a file was taken in, one before the next start.
await fetch(`${studio.address}/api/bundle`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({ ...emptyBundle(), audiences: [{ id: 'glaze-mixers', name: 'Glaze mixers' }] }),
});
await studio.stop();
await studio.again();
const browser = await chromium.launch(BROWSER);
for (const { name, path, size = DESK, print = false, before } of SHOTS) {
  const page = await browser.newPage({ viewport: size });
  if (print) await page.emulateMedia({ media: 'print' });
  await page.goto(studio.address + path);
  await page.getByRole('heading').first().waitFor();
  await before?.(page);
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(400);
  await page.screenshot({ path: join(ROOT, 'docs/screenshots', `${name}.png`) });
  await page.close();
}
await browser.close();
await studio.end();
