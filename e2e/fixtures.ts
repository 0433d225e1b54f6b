import { type BrowserContext, test as base, expect, type Page } from '@playwright/test';
import type { Bundle } from '@warm-ladder/core/formats';
import { emptyBundle } from '@warm-ladder/core/formats';
import { demoBundle } from './demo';
import { type RunningStudio, startStudio } from './studio';

interface Fixtures {
  /** What the studio holds when the test begins: the demo, or (`empty`) nothing. */
  readonly holds: 'demo' | 'empty';
  /** The worker's studio, holding what the test asks for. */
  readonly studio: Pick<RunningStudio, 'address'>;
  /** A studio of the test's own, to be ended and begun again; the demo's. */
  readonly ownStudio: RunningStudio;
}
interface WorkerFixtures {
  readonly demo: Bundle;
  readonly server: RunningStudio;
  /** One for all tests of a worker, so that the built files are fetched once. */
  readonly sharedContext: BrowserContext;
}

const NOTHING = emptyBundle();

/** What each studio was made to hold, and the revision it then had: one that nobody has changed is left as it is. */
const holding = new Map<string, { readonly bundle: Bundle; readonly revision: number }>();

async function revisionOf(address: string): Promise<number> {
  return ((await (await fetch(`${address}/api/health`)).json()) as { revision: number }).revision;
}

/** Makes a studio hold a bundle and nothing else. */
async function reset(address: string, bundle: Bundle): Promise<void> {
  const known = holding.get(address);
  if (known?.bundle === bundle && known.revision === (await revisionOf(address))) return;
  const answer = await fetch(`${address}/api/bundle?mode=replace`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(bundle),
  });
  if (!answer.ok) throw new Error(await answer.text());
  holding.set(address, { bundle, revision: await revisionOf(address) });
}

/** Empties what a browser keeps of a server, from a page of it that keeps nothing itself. */
async function forgetAll(context: BrowserContext, address: string): Promise<void> {
  const page = await context.newPage();
  await page.goto(`${address}/mark.svg`);
  await page.evaluate(
    () =>
      new Promise((resolve) => {
        localStorage.clear();
        const gone = indexedDB.deleteDatabase('warm-ladder');
        gone.onsuccess = resolve;
        gone.onerror = resolve;
      }),
  );
  await page.close();
}

/** Tests share a server and a browser context of their worker; each begins with its studio and an empty browser. */
export const test = base.extend<Fixtures, WorkerFixtures>({
  holds: ['demo', { option: true }],
  // biome-ignore lint/correctness/noEmptyPattern: Playwright reads the fixtures a function needs from this pattern.
  demo: [async ({}, use) => use(demoBundle()), { scope: 'worker' }],
  server: [
    // biome-ignore lint/correctness/noEmptyPattern: as above.
    async ({}, use) => {
      const server = await startStudio([]);
      await use(server);
      await server.end();
    },
    { scope: 'worker' },
  ],
  sharedContext: [
    async ({ browser }, use) => {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      await use(context);
      await context.close();
    },
    { scope: 'worker' },
  ],
  studio: async ({ server, demo, holds }, use) => {
    await reset(server.address, holds === 'demo' ? demo : NOTHING);
    await use(server);
  },
  // biome-ignore lint/correctness/noEmptyPattern: as above.
  ownStudio: async ({}, use) => {
    const studio = await startStudio();
    await use(studio);
    await studio.end();
  },
  context: async ({ sharedContext, server }, use) => {
    await use(sharedContext);
    for (const page of sharedContext.pages()) await page.close({ runBeforeUnload: false });
    await sharedContext.unrouteAll();
    await forgetAll(sharedContext, server.address);
  },
});
export { expect };

export const saved = (page: Page) => expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
export const length = (page: Page) => page.getByLabel('Length', { exact: true });
export const findings = (page: Page) => page.getByRole('region', { name: 'Findings' });
export const row = (page: Page, block: number) => page.locator(`#block-${block - 1}`);

/** Opens a page of one class with all of the studio: what others do from then on, it has to hear. */
export async function openWhole(page: Page, address: string): Promise<void> {
  const rest = page.waitForResponse(/\/api\/studio$/);
  await page.goto(address);
  await rest;
}

/** Opens the Studio menu at one of its entries. */
export async function fromMenu(page: Page, entry: string): Promise<void> {
  await page.getByRole('button', { name: 'Studio', exact: true }).click();
  await page.getByRole('menuitem', { name: entry }).click();
}

/** Opens the Studio menu's import with a file, up to its report. */
export async function chooseFile(page: Page, text: string): Promise<void> {
  await fromMenu(page, 'Import a file…');
  await page
    .getByLabel('File to import')
    .setInputFiles({ name: 'file.json', mimeType: 'application/json', buffer: Buffer.from(text) });
}

/** Takes in the file that was chosen, and leaves what it brought. */
export async function takeIn(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByRole('dialog')).toContainText(/Taken in|nothing has changed/);
  await page.getByRole('button', { name: 'Done', exact: true }).click();
}

/** What the server has of a studio. */
export async function kept(address: string): Promise<Bundle> {
  return (await fetch(`${address}/api/bundle`)).json() as Promise<Bundle>;
}
export const stairs = (page: Page) => page.getByRole('img', { name: /^The class as stairs/ });
