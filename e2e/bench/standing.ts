import { type Browser, chromium } from '@playwright/test';
import { BROWSER, startStudio } from '../studio';
import { figure } from './report';

/** Milliseconds watched from the opening on: the rest of the studio is here by then, and worked out. */
const WATCHED = 6_000;
/** The page's own start, which reads its code and the studio, comes before anything is shown. */
const VIEWS = {
  'the list of classes': '/class',
  'a class of sixty minutes': '/class/rowers-sixty',
  'a series': '/series/first-steps',
  'the calendar': '/calendar',
  'the repertoire': '/repertoire',
};

/** The longest time in which a page that was just opened hears no hand. */
async function longest(browser: Browser, url: string): Promise<number> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(() => {
    const spot = window as unknown as { tasks: number[] };
    spot.tasks = [0];
    new PerformanceObserver((list) => spot.tasks.push(...list.getEntries().map(({ duration }) => duration))).observe({
      type: 'longtask',
      buffered: true,
    });
  });
  await page.goto(url);
  await page.waitForTimeout(WATCHED);
  const most = await page.evaluate(() => Math.max(...(window as unknown as { tasks: number[] }).tasks));
  await page.close();
  return most;
}

const studio = await startStudio();
const browser = await chromium.launch(BROWSER);
try {
  for (const [name, path] of Object.entries(VIEWS)) {
    await figure(`the longest that ${name} stands still on opening`, 'ms', 250, () =>
      longest(browser, `${studio.address}${path}`),
    );
  }
} finally {
  await browser.close();
  await studio.end();
}
