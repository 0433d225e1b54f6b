import { chromium, type Page } from '@playwright/test';
import { BROWSER, startStudio } from '../studio';
import { largeStudio } from './largeStudio';
import { quantile, report } from './report';
import { untilShown } from './untilShown';

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
const [first, next]: [number[], number[]] = [[], []];
for (let visit = 0; visit < 5; visit++) {
  // Nothing is kept of the visit before.
  const context = await browser.newContext(size);
  const page = await context.newPage();
  first.push(await opened(page));
  next.push(await opened(page));
  await context.close();
}
const where = `of a studio of ${RUNGS} rungs and ${CLASSES} classes`;
report(`first view ${where}, median`, quantile(first, 0.5), 'ms', 2_500);
report(`next view ${where}, median`, quantile(next, 0.5), 'ms', 1_000);

const page = await browser.newPage(size);
await opened(page);
const reps = page.getByLabel('Reps of block 3', { exact: true });
const typed: number[] = [];
for (let i = 0; i < 40; i++) {
  typed.push(await untilShown(page, () => reps.fill(String(4 + (i % 2)))));
  await page.waitForTimeout(100);
}
report(`an edit ${where} shown, p95`, quantile(typed, 0.95), 'ms', 50);
await browser.close();
await studio.end();
