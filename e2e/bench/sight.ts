import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { build } from 'vite';
import { demoBundle } from '../demo';
import { BROWSER, ROOT, startStudio } from '../studio';
import { figure, quantile, report } from './report';

/** Figures that a tall window shows at once. */
const IN_SIGHT = 40;
/** The runner that compiles this file names functions by a helper that the page does not have. */
const HELPER = 'globalThis.__name = (made) => made';

/** Milliseconds from a click on the repertoire to as many figures drawn and painted, the page just read. */
async function opened(page: Page, address: string): Promise<number> {
  await page.goto(`${address}/series`);
  await page.getByRole('heading').first().waitFor();
  // The repertoire is measured while nothing else is to be done.
  await page.waitForTimeout(1500);
  await page.evaluate(HELPER);
  await page.evaluate((figures) => {
    const spot = window as unknown as { clicked: number; took: Promise<number> };
    const options = { capture: true, once: true };
    window.addEventListener('click', ({ timeStamp }) => Object.assign(spot, { clicked: timeStamp }), options);
    spot.took = new Promise((resolve) => {
      const look = () => {
        if (document.querySelectorAll('section[aria-label="Ladders"] li li svg').length < figures) {
          requestAnimationFrame(look);
          return;
        }
        const channel = new MessageChannel();
        channel.port1.onmessage = () => resolve(performance.now() - spot.clicked);
        requestAnimationFrame(() => channel.port2.postMessage(null));
      };
      look();
    });
  }, IN_SIGHT);
  await page.getByRole('link', { name: 'Repertoire' }).click();
  return page.evaluate(() => (window as unknown as { took: Promise<number> }).took);
}

/** Milliseconds from a step of a drag in the editor to the body redrawn. */
async function dragged(page: Page, address: string): Promise<number[]> {
  await page.goto(`${address}/edit/leg-lower/straight`);
  const knee = page.getByRole('slider', { name: 'knee', exact: true });
  const box = await knee.boundingBox();
  if (!box) throw new Error('the knee is not drawn');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.evaluate(HELPER);
  await page.evaluate(() => {
    const spot = window as unknown as { steps: number[] };
    spot.steps = [];
    let moved = 0;
    const begins = () => {
      moved = performance.now();
    };
    window.addEventListener('pointermove', begins, true);
    const body = document.querySelector('[role="group"][aria-label="The body"]');
    const redrawn = new MutationObserver(() => {
      if (moved > 0) spot.steps.push(performance.now() - moved);
      moved = 0;
    });
    if (body) redrawn.observe(body, { attributes: true, childList: true, subtree: true });
  });
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let step = 0; step < 60; step++) {
    await page.mouse.move(x + 5 + (step % 8), y - 5 - 3 * (step % 12));
    await page.waitForTimeout(40);
  }
  await page.mouse.up();
  const steps = await page.evaluate(() => (window as unknown as { steps: number[] }).steps);
  // The next hand takes hold where this one did.
  await page.keyboard.press('Control+z');
  return steps;
}

const studio = await startStudio();
const browser = await chromium.launch(BROWSER);
try {
  const size = { width: 1280, height: 2300 };
  await figure(`the repertoire with ${IN_SIGHT} figures in sight, opened cold`, 'ms', 150, async () => {
    const page = await browser.newPage({ viewport: size });
    const took = await opened(page, studio.address);
    await page.close();
    return took;
  });

  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await figure('a step of a drag in the editor, redrawn, p95', 'ms', 1000 / 60, async () => {
    const steps = await dragged(page, studio.address);
    if (steps.length < 40) throw new Error(`only ${steps.length} steps of the drag were drawn`);
    return quantile(steps, 0.95);
  });

  const made = await build({
    configFile: false,
    root: join(ROOT, 'e2e'),
    logLevel: 'error',
    build: {
      write: false,
      lib: { entry: 'bench/sheet.ts', formats: ['iife'], name: 'bench' },
    },
  });
  const [first] = Array.isArray(made) ? made : [made];
  if (!first || !('output' in first)) throw new Error('the sheet was not compiled');
  await page.goto('about:blank');
  await page.addScriptTag({ content: first.output[0].code });
  const sheets: Array<{ figures: number; plain: number }> = [];
  for (let run = 0; run < 7; run++) {
    sheets.push(
      await page.evaluate(
        (bundle) => (globalThis as unknown as { sheet: typeof import('./sheet').sheet }).sheet(bundle),
        demoBundle(),
      ),
    );
  }
  const of = (read: (each: { figures: number; plain: number }) => number) => quantile(sheets.map(read), 0.5);
  report(
    'a sheet of all figures, from the file read to painted, median',
    of(({ figures }) => figures),
    'ms',
    600,
  );
  report(
    'that sheet against as many plain pictures of 20 paths',
    of((each) => each.figures / each.plain),
    'times',
    10,
  );
} finally {
  await browser.close();
  await studio.end();
}
