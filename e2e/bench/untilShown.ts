import type { Page } from '@playwright/test';
import { figure, quantile } from './report';

/** Milliseconds from an event on the page until what it changes stands in the document, painted: the length, when unsaid. */
async function untilShown(
  page: Page,
  act: () => Promise<void>,
  where = 'output[aria-label="Length"]',
): Promise<number> {
  await page.evaluate((selector) => {
    const shown = document.querySelector(selector);
    const spot = window as unknown as { started: number; took: Promise<number> };
    spot.started = 0;
    for (const kind of ['input', 'pointermove'] as const) {
      window.addEventListener(
        kind,
        ({ timeStamp }) => {
          spot.started ||= timeStamp;
        },
        { capture: true, once: true },
      );
    }
    spot.took = new Promise((resolve, reject) => {
      setTimeout(() => reject(new Error('nothing was shown within 5 s')), 5000);
      const observer = new MutationObserver(() => {
        observer.disconnect();
        requestAnimationFrame(() => {
          const channel = new MessageChannel();
          channel.port1.onmessage = () => resolve(performance.now() - spot.started);
          channel.port2.postMessage(null);
        });
      });
      if (shown) observer.observe(shown, { characterData: true, subtree: true, childList: true });
    });
  }, where);
  await act();
  return page.evaluate(() => (window as unknown as { took: Promise<number> }).took);
}

/** Milliseconds between two keystrokes or two steps of a drag: a quick hand. */
const HAND = 100;
/** Acts of one round. */
const ACTS = 20;

/**
 * Takes and prints the milliseconds that all but a few acts are shown within (p95).
 * @param act does one thing; told how many were done before
 */
export async function figureShown(
  name: string,
  bound: number,
  page: Page,
  act: (turn: number) => Promise<void>,
  where?: string,
): Promise<void> {
  let turn = 0;
  await figure(`${name}, p95`, 'ms', bound, async () => {
    const took: number[] = [];
    for (let i = 0; i < ACTS; i++) {
      took.push(await untilShown(page, () => act(turn++), where));
      await page.waitForTimeout(HAND);
    }
    return quantile(took, 0.95);
  });
}
