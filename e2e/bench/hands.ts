import { chromium, type Page } from '@playwright/test';
import { demoBundle } from '../demo';
import { BROWSER, startStudio } from '../studio';
import { figure, quantile } from './report';
import { sixtyBlocks } from './sixty';

/** Edits of one round, and milliseconds between two. */
const [EDITS, HAND] = [10, 900];
/** Milliseconds an edit of a block took from the key until it was stored before edits were what is sent. */
const STORED = 450;

const studio = await startStudio();
await fetch(`${studio.address}/api/classes/sixty`, {
  method: 'PUT',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({ version: 0, value: sixtyBlocks(demoBundle()) }),
});
const browser = await chromium.launch(BROWSER);
/** Two people: tabs of one browser would tell each other. */
const [here, there] = (await Promise.all(
  [1, 2].map(async () => {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await page.goto(`${studio.address}/class/sixty`);
    await page.locator('#block-20').focus();
    return page;
  }),
)) as [Page, Page];
await here.waitForTimeout(3_000);

/** The time of day a page next hears the server say something of what was kept, or shows another order of blocks. */
const answered = (page: Page) =>
  page
    .waitForResponse((response) => response.url().endsWith('/api/changes'))
    .then(async (response) => {
      await response.finished();
      return Date.now();
    });
const shown = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const strip = document.querySelector('#block-20')?.parentElement?.parentElement;
        const observer = new MutationObserver(() => {
          observer.disconnect();
          requestAnimationFrame(() => setTimeout(() => resolve(Date.now())));
        });
        if (strip) observer.observe(strip, { childList: true, subtree: true, attributes: true, characterData: true });
      }),
  );

async function edits(until: 'stored' | 'shown'): Promise<number> {
  const took: number[] = [];
  for (let turn = 0; turn < EDITS; turn++) {
    const heard = until === 'stored' ? answered(here) : shown(there);
    await here.waitForTimeout(HAND);
    const began = Date.now();
    await here.keyboard.press(turn % 2 ? 'Alt+ArrowLeft' : 'Alt+ArrowRight');
    took.push((await heard) - began);
  }
  return quantile(took, 0.95);
}
await figure('an edit of a block, from the key until it is stored, p95', 'ms', STORED, () => edits('stored'));
await figure('an edit of a block, from the key until another browser shows it, p95', 'ms', 100, () => edits('shown'));
await browser.close();
await studio.end();
