import { chromium } from '@playwright/test';
import { BROWSER, startStudio } from '../studio';
import { figure } from './report';

/** Figures moving at once, and for how long they are watched. */
const FIGURES = 24;
const SECONDS = 2;

const studio = await startStudio();
const browser = await chromium.launch(BROWSER);
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${studio.address}/repertoire`);
  await page.getByLabel('moving').check();
  // Just so many in sight: the page is shortened to them, and made as tall as they are.
  const height = await page.evaluate((figures) => {
    const all = [...document.querySelectorAll('section[aria-label="Ladders"] li li')];
    for (const surplus of all.slice(figures)) surplus.remove();
    return Math.ceil((all[figures - 1]?.getBoundingClientRect().bottom ?? 0) + 20);
  }, FIGURES);
  await page.setViewportSize({ width: 1280, height });
  await page.waitForTimeout(500);
  // The runner that compiles this file names functions by a helper that the page does not have.
  await page.evaluate('globalThis.__name = (made) => made');
  const watched = () =>
    page.evaluate(async (seconds) => {
      const figures = [...document.querySelectorAll<HTMLCanvasElement>('section[aria-label="Ladders"] li li canvas')];
      const drawn = () => figures.map((figure) => figure.toDataURL());
      const before = drawn();
      const changed = new Set<number>();
      let count = 0;
      const start = performance.now();
      await new Promise<void>((resolve) => {
        const tick = (now: number) => {
          count += 1;
          if (now - start < seconds * 1000) requestAnimationFrame(tick);
          else resolve();
        };
        requestAnimationFrame(tick);
      });
      const perSecond = count / ((performance.now() - start) / 1000);
      for (const [i, picture] of drawn().entries()) if (picture !== before[i]) changed.add(i);
      return { frames: perSecond, moved: changed.size };
    }, SECONDS);
  await figure(`${FIGURES} moving figures, a frame`, 'ms', 1000 / 59, async () => {
    const { frames, moved } = await watched();
    if (moved < FIGURES) throw new Error(`only ${moved} of ${FIGURES} figures moved`);
    return 1000 / frames;
  });
} finally {
  await browser.close();
  await studio.end();
}
