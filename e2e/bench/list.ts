import { chromium } from '@playwright/test';
import { demoBundle } from '../demo';
import { BROWSER, startStudio } from '../studio';
import { figure } from './report';

/** Classes of a studio that has been at it for years. */
const CLASSES = 3_000;

const demo = demoBundle();
const own = demo.classes ?? [];
const classes = Array.from({ length: CLASSES }, (_, i) => {
  const plan = own[i % own.length];
  return plan ? [{ ...plan, id: `${plan.id}-${i}`, name: `${plan.name} ${i}` }] : [];
}).flat();
const studio = await startStudio([]);
await fetch(`${studio.address}/api/bundle?mode=replace`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({ ...demo, classes, series: [] }),
});
const browser = await chromium.launch(BROWSER);
await figure(`the list of ${CLASSES} classes, opened cold`, 's', 2.5, async () => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const began = performance.now();
  await page.goto(`${studio.address}/class`);
  await page.getByRole('listitem').nth(5).waitFor();
  await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0))));
  const took = (performance.now() - began) / 1_000;
  await page.close();
  return took;
});
await browser.close();
await studio.end();
