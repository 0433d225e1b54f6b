import { rungScene, svgOf } from '@warm-ladder/core/figure';
import type { Bundle } from '@warm-ladder/core/formats';
import { Catalog } from '@warm-ladder/core/repertoire';

/** Runs in the page: a sheet of every figure of a repertoire, and one of plain outlines to hold it against. */

/** Paths of a plain figure. */
const PATHS = 20;

/** Milliseconds until what a function puts on the page is painted. */
async function painted(fill: () => string): Promise<number> {
  const sheet = document.createElement('div');
  document.body.replaceChildren(sheet);
  await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 50)));
  const began = performance.now();
  sheet.innerHTML = fill();
  return new Promise((resolve) => {
    requestAnimationFrame(() => {
      const channel = new MessageChannel();
      channel.port1.onmessage = () => resolve(performance.now() - began);
      channel.port2.postMessage(null);
    });
  });
}

/** @returns milliseconds of the sheet of all figures, from the bundle on, and of as many plain pictures */
export async function sheet(bundle: Bundle): Promise<{ figures: number; plain: number }> {
  const figures = await painted(() => {
    const catalog = new Catalog({ ...bundle, exercises: bundle.exercises ?? [] });
    return catalog.rungs.map((entry) => drawn(rungScene(entry), entry.key)).join('');
  });
  const path = 'M10 10L60 20A10 10 0 0 1 60 40L10 30Z';
  const one = `<svg width="160" height="80" viewBox="0 0 100 50">${`<path d="${path}" fill="#33202f"/>`.repeat(PATHS)}</svg>`;
  const count = (bundle.exercises ?? []).reduce((sum, { rungs }) => sum + rungs.length, 0);
  return { figures, plain: await painted(() => one.repeat(count)) };
}

const drawn = (scene: ReturnType<typeof rungScene>, name: string): string => (scene ? svgOf(scene, name, 160) : '');

Object.assign(globalThis, { sheet });
