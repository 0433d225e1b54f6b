import { chromium, type Page } from '@playwright/test';
import { BROWSER, startStudio } from '../studio';
import { largeStudio } from './largeStudio';
import { figure, report } from './report';
import { figureShown } from './untilShown';

/** A studio that has grown: how long until a class stands on the screen, and until an edit in it does. */
const [RUNGS, CLASSES] = [5_000, 1_000] as const;
const studio = await startStudio();
const answer = await fetch(`${studio.address}/api/bundle?mode=replace`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(largeStudio(RUNGS, CLASSES)),
});
if (!answer.ok) throw new Error(await answer.text());

const browser = await chromium.launch(BROWSER);
const size = { viewport: { width: 1280, height: 800 } };
const opened = async (page: Page): Promise<number> => {
  const began = performance.now();
  await page.goto(`${studio.address}/class/rowers-sixty`);
  await page.locator('#block-5').waitFor();
  return performance.now() - began;
};
const where = `of a studio of ${RUNGS} rungs and ${CLASSES} classes`;
let next = Number.POSITIVE_INFINITY;
await figure(`first view ${where}`, 'ms', 2_500, async () => {
  // Nothing is kept of the visit before.
  const context = await browser.newContext(size);
  const page = await context.newPage();
  const took = await opened(page);
  next = Math.min(next, await opened(page));
  await context.close();
  return took;
});
report(`next view ${where}`, next, 'ms', 1_000);

const page = await browser.newPage(size);
await opened(page);
const reps = page.getByLabel('Reps of block 3', { exact: true });
await figureShown(`an edit ${where} shown`, 50, page, (turn) => reps.fill(String(4 + (turn % 2))));
await browser.close();
await studio.end();
