import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { BROWSER, ROOT, type RunningStudio, startStudio } from './studio';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** Each main view as the demo shows it: its file, its address, its window, and what to wait for. */
const SHOTS: ReadonlyArray<{
  readonly name: string;
  readonly path: string;
  /** A desk, unless it is what staff use on a phone. */
  readonly viewport?: { readonly width: number; readonly height: number };
  readonly before?: (page: Page) => Promise<unknown>;
  /** As it looks at night. */
  readonly dark?: boolean;
}> = [
  { name: 'repertoire', path: '/repertoire' },
  { name: 'ladder', path: '/repertoire/leg-lower' },
  { name: 'compare', path: '/compare?rungs=leg-lower/bent,leg-lower/straight,leg-lower/double-straight' },
  { name: 'editor', path: '/edit/leg-lower/straight' },
  { name: 'audience', path: '/audiences/returning-rowers' },
  {
    name: 'method',
    path: '/method?class=choir-first-draft',
    // Every class stands beside each figure, once all are measured.
    before: async (page) => {
      const order = page.getByRole('region', { name: 'Putting it in order' });
      await order
        .getByText(/of \d+ beyond/)
        .first()
        .waitFor({ timeout: 60_000 });
      await order.evaluate((section) => section.scrollIntoView({ block: 'start' }));
    },
  },
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
    name: 'mend',
    path: '/class/choir-first-draft',
    before: async (page) => {
      await page.getByRole('button', { name: 'Mend all' }).click();
      await page.getByRole('button', { name: 'Take it all' }).waitFor();
    },
  },
  { name: 'levels', path: '/class/rowers-sixty?view=levels', dark: true },
  { name: 'calendar', path: '/calendar' },
  { name: 'script', path: '/script/night-landing' },
  {
    name: 'teach',
    path: '/teach/potters-forearms',
    viewport: PHONE,
    // Two repetitions into the first block.
    before: async (page) => {
      await page.getByRole('button', { name: 'Begin' }).click();
      await page.getByRole('button', { name: 'Next' }).click();
      for (let rep = 0; rep < 2; rep++) await page.keyboard.press('r');
      await page.getByText(/^2 of \d/).waitFor();
    },
  },
  {
    name: 'taught',
    path: '/taught/potters-forearms',
    // Its own captions, with two minutes lost on the way.
    before: async (page) => {
      const vtt = await page.evaluate(async () => (await fetch('/api/handouts/potters-forearms?as=vtt')).text());
      const late = vtt.replace(/\d\d:(\d\d):(\d\d\.\d{3})/g, (whole, minutes: string, rest: string) =>
        Number(minutes) < 10 ? whole : `00:${String(Number(minutes) + 2).padStart(2, '0')}:${rest}`,
      );
      const file = { name: 'monday.vtt', mimeType: 'text/vtt', buffer: Buffer.from(late) };
      await page.getByLabel('Read its captions').setInputFiles(file);
      await page.getByRole('button', { name: 'Keep it as a log' }).waitFor();
      await page
        .getByRole('button', { name: / to \d+:/ })
        .nth(9)
        .click();
    },
  },
  { name: 'series', path: '/series/bench-to-mat' },
  {
    // Last, since it changes its class.
    name: 'room-card',
    path: '/class/night-landing',
    before: async (page) => {
      await page.getByRole('button', { name: 'Levels everywhere' }).click();
      await page.getByRole('button', { name: 'Offer them' }).click();
      await page.waitForResponse((answer) => answer.url().includes('/api/') && answer.request().method() !== 'GET');
      await page.goto(new URL('/room/night-landing', page.url()).href);
      await page.getByRole('table').waitFor();
    },
  },
];

const browser = await chromium.launch(BROWSER);

/** Pictures of one studio, then it ends. */
async function take(studio: RunningStudio, shots: typeof SHOTS): Promise<void> {
  for (const { name, path, viewport = DESK, before, dark = false } of shots) {
    const page = await browser.newPage({ viewport, colorScheme: dark ? 'dark' : 'light' });
    await page.goto(studio.address + path);
    await page.getByRole('heading').first().waitFor();
    await before?.(page);
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(1200);
    await page.screenshot({ path: join(ROOT, 'docs/screenshots', `${name}.png`) });
    await page.close();
  }
  await studio.end();
}

await take(await startStudio(), SHOTS);
await take(await startStudio([]), [{ name: 'beginning', path: '/class' }]);
await browser.close();
